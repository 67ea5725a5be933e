import { type Vec2 } from '@/core/geometry/vector'
import { type RoofPlane } from '@/core/roof/plane'
import { looksOf, sideOf } from './direction'
import { type Words } from './words'

/** A plane to be named. */
export interface PlaneToName {
  readonly key: string
  readonly plane: Pick<RoofPlane, 'pitchDeg' | 'azimuthDeg' | 'corners'>
  /** What somebody has called it; null where nobody has. */
  readonly given: string | null
  /** What its roof is called, where there are several; null for the only one. */
  readonly of: string | null
}

/** Nearer to the middle than this share of the way to the farthest, a plane is in the middle. */
const middleShare = 0.3

/**
 * What planes are called: what somebody has called them, else the way they look, with their roof where there are
 * several, and where they lie among those that look the same way. No two have one name.
 */
export function planeNames(
  planes: readonly PlaneToName[],
  words: Pick<Words, 'compass' | 'compassPlaces' | 'roofForms'>,
): ReadonlyMap<string, string> {
  const base = ({ plane, of }: PlaneToName) => {
    const looks = looksOf(plane, words)
    return of === null ? looks : `${looks}, ${of}`
  }
  const alike = new Map<string, PlaneToName[]>()
  for (const plane of planes)
    if (plane.given === null) alike.set(base(plane), [...(alike.get(base(plane)) ?? []), plane])
  const names = new Map<string, string>()
  const taken = new Map<string, number>()
  /** The name, or the next of that name. */
  const free = (name: string): string => {
    const count = (taken.get(name) ?? 0) + 1
    taken.set(name, count)
    return count > 1 ? `${name} ${count}` : name
  }
  for (const { key, given } of planes) if (given !== null) names.set(key, free(given))
  for (const [name, group] of alike) {
    const places = group.length > 1 ? placesAmong(group, words) : []
    group.forEach(({ key }, i) =>
      names.set(key, free(places[i] === undefined ? name : `${name}, ${places[i]}`)),
    )
  }
  return names
}

/** Where each of some planes lies, seen from the middle of them all. */
function placesAmong(
  group: readonly PlaneToName[],
  { compassPlaces }: Pick<Words, 'compassPlaces'>,
): string[] {
  const middles = group.map(({ plane }) => meanOf(plane.corners.map(([x, y]): Vec2 => [x, y])))
  const middle = meanOf(middles)
  const away = middles.map(([x, y]): Vec2 => [x - middle[0], y - middle[1]])
  const farthest = Math.max(...away.map(([x, y]) => Math.hypot(x, y)))
  return away.map(([x, y]) => {
    if (Math.hypot(x, y) <= farthest * middleShare) return compassPlaces.middle
    const azimuthDeg = (Math.atan2(x, y) * 180) / Math.PI
    return compassPlaces[sideOf((azimuthDeg + 360) % 360)]
  })
}

const meanOf = (points: readonly Vec2[]): Vec2 => [
  points.reduce((sum, [x]) => sum + x, 0) / points.length,
  points.reduce((sum, [, y]) => sum + y, 0) / points.length,
]
