import { highestHorizonDeg, mostHorizonPoints } from '../kinds/site/site'
import { Fault } from '../model/fault'
import { parseNumber } from '../model/numbers'
import { localeOf, readTable } from './table-file'

/** Words of the heading that name the columns. */
const azimuthWords = /azim|bearing|direction|acimut/
const elevationWords = /elev|height|altitude|angle|altura/

/** Marks that may part the columns, the likeliest first. */
const marks = ['\t', ';', ','] as const

/**
 * A far horizon from a table: azimuth in degrees clockwise from north (-180 to 360) and elevation in degrees, with a
 * heading or without, parted by commas, semicolons, tabs or spaces. Lines that begin with # are left out; what lies below
 * the level hides nothing and is taken as level.
 * @returns by azimuth, 0 to 360; of a file with more points than a site has, the highest of each part
 * @throws Fault `horizon-file` with the line and what is wrong there
 */
export function readHorizon(text: string): [number, number][] {
  const lines = text.replace(/^\uFEFF/, '').split(/\r?\n/)
  const told = lines.map((line) => (line.trimStart().startsWith('#') ? '' : line))
  const first = told.find((line) => line.trim() !== '')
  if (first === undefined) throw new Fault('horizon-file', { reason: 'nothing', line: 0, text: '' })
  const mark = marks.find((one) => first.includes(one))
  const parted = mark === undefined ? told.map((line) => line.trim().replaceAll(/\s+/g, '\t')) : told
  const isHeaded = /[a-z]{2}/i.test(first)
  const table = [...(isHeaded ? [] : [`azimuth${mark ?? '\t'}elevation`]), ...parted].join('\n')
  const { names, rows } = readTable(table)
  const column = (words: RegExp, without: number) => {
    const found = names.findIndex((name) => words.test(name))
    return found < 0 ? without : found
  }
  const azimuths = column(azimuthWords, 0)
  const elevations = column(elevationWords, azimuths === 0 ? 1 : 0)
  const locale = localeOf(rows.flatMap(({ cells }) => cells))
  const points = rows.map(({ line, cells }): [number, number] => {
    const at = isHeaded ? line : line - 1
    const read = (cell: number, low: number, high: number, reason: string) => {
      const text = (cells[cell] ?? '').trim()
      const value = numberIn(text, locale)
      if (value === null) throw new Fault('horizon-file', { reason: 'number', line: at, text })
      if (value < low || value > high) throw new Fault('horizon-file', { reason, line: at, text })
      return value
    }
    const azimuthDeg = read(azimuths, -180, 360, 'azimuth')
    const elevationDeg = read(elevations, -90, highestHorizonDeg, 'elevation')
    return [(azimuthDeg + 360) % 360, Math.max(0, elevationDeg)]
  })
  if (points.length < 2) throw new Fault('horizon-file', { reason: 'nothing', line: 0, text: '' })
  return thinned(points.sort((a, b) => a[0] - b[0]))
}

function numberIn(text: string, locale: string): number | null {
  try {
    return parseNumber(text.replace(/°$/, ''), locale)
  } catch (error) {
    if (error instanceof Fault) return null
    throw error
  }
}

/** No more points than a site has: the highest of each part of the circle. */
function thinned(points: [number, number][]): [number, number][] {
  if (points.length <= mostHorizonPoints) return points
  const parts = new Map<number, [number, number]>()
  for (const point of points) {
    const part = Math.floor((point[0] * mostHorizonPoints) / 360)
    const before = parts.get(part)
    if (!before || point[1] > before[1]) parts.set(part, point)
  }
  return [...parts.values()]
}

/** The same horizon from a table that counts from south. */
export const fromSouth = (points: readonly (readonly [number, number])[]): [number, number][] =>
  points
    .map(([azimuthDeg, elevationDeg]): [number, number] => [(azimuthDeg + 180) % 360, elevationDeg])
    .sort((a, b) => a[0] - b[0])
