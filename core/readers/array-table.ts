import { type LaidArray } from '../site/site'
import { csvLine, figure } from './csv'
import { type RunSummary } from './summary'

/** What a line of the table stands for. */
export const arrayGroupings = ['array', 'plane', 'direction'] as const
export type ArrayGrouping = (typeof arrayGroupings)[number]

/** One line: arrays that are taken together. */
export interface ArrayRow {
  readonly arrayIds: readonly string[]
  readonly modules: number
  readonly powerKw: number
  readonly tiltDeg: number
  /** Clockwise from north; null on the level, and where modules look to both sides. */
  readonly azimuthDeg: number | null
  /** Share of the unshaded sun on its modules; null without any. */
  readonly sunAccess: number | null
  /** Its part of the year's yield: shared out by what its modules give to the inverter. */
  readonly kwh: number
}

const levelDeg = 0.05
const rounded = (value: number, digits = 3) => value.toFixed(digits)

/** A plane in space by its normal and how far it is from the middle of the job. */
function planeOf({ plane: { normal }, places }: LaidArray): string {
  const [x, y, z] = places[0]?.corners[0] ?? [0, 0, 0]
  const distance = normal[0] * x + normal[1] * y + normal[2] * z
  return [...normal, distance].map((value) => rounded(value)).join(' ')
}

const keys: Readonly<Record<ArrayGrouping, (array: LaidArray) => string>> = {
  array: ({ id }) => id,
  plane: planeOf,
  // As they are told: to a degree.
  direction: ({ plane: { pitchDeg, azimuthDeg } }) =>
    pitchDeg < levelDeg ? 'level' : `${rounded(pitchDeg, 0)} ${rounded(azimuthDeg % 359.5, 0)}`,
}

/** Whether there is no one direction that some modules look to: those of pairs of rows look to two. */
const facesAllWays = (group: readonly LaidArray[]): boolean => new Set(group.map(keys.direction)).size > 1

/** Modules, power, sun and energy of what faces one way, taken together as asked; in the order of the arrays. */
export function arrayRows(
  faces: readonly LaidArray[],
  {
    panels,
    strings,
    ledger,
    powerW,
    count,
  }: Pick<RunSummary, 'panels' | 'strings' | 'ledger' | 'powerW' | 'count'>,
  by: ArrayGrouping,
): ArrayRow[] {
  const yieldKwh = ledger.find(({ id }) => id === 'yield')?.value ?? 0
  const faceOf = new Map(faces.flatMap((face) => face.panels.map(({ id }) => [id, face] as const)))
  const kwhOf = new Map<LaidArray, number>()
  for (const { panelIds, moduleShares } of strings)
    panelIds.forEach((id, p) => {
      const face = faceOf.get(id)
      if (face) kwhOf.set(face, (kwhOf.get(face) ?? 0) + (moduleShares[p] ?? 0) * yieldKwh)
    })
  const groups = new Map<string, LaidArray[]>()
  for (const face of faces) {
    const key = keys[by](face)
    groups.set(key, [...(groups.get(key) ?? []), face])
  }
  return [...groups.values()].flatMap((group): ArrayRow[] => {
    const held = new Set(group)
    const own = panels.filter(({ id }) => {
      const face = faceOf.get(id)
      return face !== undefined && held.has(face)
    })
    const plane = group[0]?.plane
    if (!plane) return []
    return [
      {
        arrayIds: [...new Set(group.map(({ id }) => id))],
        modules: own.length,
        powerKw: count === 0 ? 0 : (own.length * powerW) / count / 1000,
        tiltDeg: plane.pitchDeg,
        azimuthDeg: plane.pitchDeg < levelDeg || facesAllWays(group) ? null : plane.azimuthDeg,
        sunAccess:
          own.length === 0 ? null : own.reduce((sum, { sunAccess }) => sum + sunAccess, 0) / own.length,
        kwh: group.reduce((sum, face) => sum + (kwhOf.get(face) ?? 0), 0),
      },
    ]
  })
}

/** The table as a file. @param nameOf what an array is called */
export const arrayCsv = (rows: readonly ArrayRow[], nameOf: (id: string) => string): string =>
  [
    csvLine(['array', 'modules', 'power_kw', 'tilt_deg', 'azimuth_deg', 'sun_access', 'yield_kwh']),
    ...rows.map(({ arrayIds, modules, powerKw, tiltDeg, azimuthDeg, sunAccess, kwh }) =>
      csvLine([
        arrayIds.map(nameOf).join(' + '),
        modules,
        figure(powerKw),
        figure(tiltDeg, 5),
        azimuthDeg === null ? '' : figure(azimuthDeg, 5),
        sunAccess === null ? '' : figure(sunAccess, 4),
        figure(kwh),
      ]),
    ),
  ].join('\n') + '\n'
