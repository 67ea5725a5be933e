import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { numberOf, TextNumbers } from './text-numbers'

/** Heights as a text gives them, in its own coordinates and its own unit. */
export interface TextGrid {
  readonly columns: number
  readonly rows: number
  /** Row by row from the north, each from the west; NaN where there is none. */
  readonly heights: Float32Array
  /** The middle of the north-western cell, and the sides of a cell. */
  readonly first: Vec2
  readonly side: Vec2
}

/** The most cells of a text: more than one of 60 MB can hold. */
const mostCells = 40_000_000

const wrong = (file: string, data: Readonly<Record<string, string | number>>) =>
  new Fault('text-heights', { file, line: 0, text: '', ...data }, file)

/**
 * An ASCII grid (`ncols`, `nrows`, `xllcorner` or `xllcenter`, `yllcorner` or `yllcenter`, `cellsize` or `dx` and `dy`,
 * `nodata_value`, then the heights), or a table with a point of a grid on each line: east, north, height.
 * @returns null where the text begins like neither
 * @throws Fault `text-heights` with what is wrong, and where
 */
export function heightsInText(text: string, file: string): TextGrid | null {
  const start = text.replace(/^\uFEFF/, '')
  if (/^\s*(ncols|nrows)\s/i.test(start.slice(0, 200))) return asciiGrid(start, file)
  const lines = start.slice(0, 2000).split(/\r?\n/, 3)
  return lines.slice(0, 2).some((line) => pointIn(line) !== null) ? pointGrid(start, file) : null
}

const keyLine = /^[ \t]*([a-z_]+)[ \t]+(\S+)[ \t]*\r?\n/i

function asciiGrid(text: string, file: string): TextGrid {
  const header = new Map<string, number>()
  let at = 0
  for (let found = keyLine.exec(text); found; found = keyLine.exec(text.slice(at, at + 200))) {
    const [whole, key = '', word = ''] = found
    const value = numberOf(word)
    if (Number.isNaN(value))
      throw wrong(file, { why: 'number', line: header.size + 1, text: word.slice(0, 30) })
    header.set(key.toLowerCase(), value)
    at += whole.length
  }
  const one = (...keys: readonly string[]): number => {
    const value = keys.map((key) => header.get(key)).find((given) => given !== undefined)
    if (value === undefined) throw wrong(file, { why: 'header', text: keys.join(', ') })
    return value
  }
  const [columns, rows] = [one('ncols'), one('nrows')]
  const side: Vec2 = [one('cellsize', 'dx'), one('cellsize', 'dy')]
  if (!(side[0] > 0 && side[1] > 0 && Number.isFinite(side[0] * side[1]))) throw wrong(file, { why: 'cell' })
  checkSize(columns, rows, file)
  // A corner lies half a cell outside the middle of its cell.
  const west = header.get('xllcenter') ?? one('xllcorner', 'xllcenter') + side[0] / 2
  const south = header.get('yllcenter') ?? one('yllcorner', 'yllcenter') + side[1] / 2
  const none = header.get('nodata_value') ?? -9999
  const heights = new Float32Array(columns * rows)
  const numbers = new TextNumbers(text, file, at)
  for (let k = 0; k < heights.length; k++) {
    const value = numbers.next()
    if (value === null) throw wrong(file, { why: 'few', found: k, wanted: heights.length })
    heights[k] = value === none ? NaN : value
  }
  if (numbers.next() !== null) throw wrong(file, { why: 'many', wanted: heights.length })
  return { columns, rows, heights, first: [west, south + (rows - 1) * side[1]], side }
}

function checkSize(columns: number, rows: number, file: string): void {
  const isCount = (count: number) => Number.isInteger(count) && count > 1
  if (!isCount(columns) || !isCount(rows)) throw wrong(file, { why: 'size' })
  if (columns * rows > mostCells)
    throw new Fault('raster-too-fine', { file, cells: columns * rows, limit: mostCells }, file)
}

/** East, north and height on a line; null where they are not there. */
function pointIn(line: string): readonly [number, number, number] | null {
  const parts = line.includes(';')
    ? line.split(';')
    : /\S\s+\S/.test(line.trim())
      ? line.trim().split(/[ \t,]*[ \t]+/)
      : line.split(',')
  const [x = NaN, y = NaN, z = NaN] = parts.slice(0, 3).map(numberOf)
  return Number.isFinite(x) && Number.isFinite(y) && !Number.isNaN(z) ? [x, y, z] : null
}

/** Points that are said one by one, in any order: put on the grid that they lie on. */
function pointGrid(text: string, file: string): TextGrid {
  const [x, y, z]: [number[], number[], number[]] = [[], [], []]
  let line = 0
  for (let at = 0; at < text.length;) {
    const end = text.indexOf('\n', at)
    const words = text.slice(at, end < 0 ? text.length : end)
    at = end < 0 ? text.length : end + 1
    line++
    if (words.trim() === '') continue
    const point = pointIn(words)
    // The first line may be a heading.
    if (!point && line === 1) continue
    if (!point) throw wrong(file, { why: 'columns', line, text: words.trim().slice(0, 40) })
    x.push(point[0])
    y.push(point[1])
    z.push(point[2])
  }
  const [across, up] = [axisOf(x), axisOf(y)]
  // Points of a grid fill it, but for what nobody measured; others would need far more cells than there are points.
  if (!across || !up || across.count * up.count > 8 * x.length) throw wrong(file, { why: 'grid' })
  checkSize(across.count, up.count, file)
  const heights = new Float32Array(across.count * up.count).fill(NaN)
  for (let k = 0; k < x.length; k++) {
    const column = Math.round(((x[k] ?? NaN) - across.from) / across.step)
    const row = up.count - 1 - Math.round(((y[k] ?? NaN) - up.from) / up.step)
    heights[row * across.count + column] = z[k] ?? NaN
  }
  const first: Vec2 = [across.from, up.from + (up.count - 1) * up.step]
  return { columns: across.count, rows: up.count, heights, first, side: [across.step, up.step] }
}

/** Share of a step by which a coordinate may lie beside its grid: files are rounded. */
const besides = 0.2

/** The steps in which coordinates follow each other; null where they do so in none. */
function axisOf(values: readonly number[]): { from: number; step: number; count: number } | null {
  const sorted = Float64Array.from(new Set(values)).sort()
  const [from, to] = [sorted[0], sorted.at(-1)]
  if (from === undefined || to === undefined || from === to) return null
  const steps = sorted.subarray(1).map((value, i) => value - (sorted[i] ?? NaN))
  const usual = steps.sort()[steps.length >> 1] ?? NaN
  const count = Math.round((to - from) / usual) + 1
  // Over the whole way a rounding of the ends does not matter.
  const step = (to - from) / (count - 1)
  const isOn = sorted.every((value) => {
    const at = (value - from) / step
    return Math.abs(at - Math.round(at)) < besides
  })
  return isOn ? { from, step, count } : null
}
