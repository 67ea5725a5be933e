import { toDegrees, toRadians } from '../model/units'
import { type Horizon } from './engine'
import { type HorizonPoint } from './horizon-line'

/**
 * How high a horizon stands at each azimuth, degrees: between two of its heights it runs straight, and round the north.
 * @param heights azimuth (clockwise from north) and elevation, degrees, in any order; level where there are none
 */
export function elevationsOf(heights: readonly HorizonPoint[]): (azimuthDeg: number) => number {
  const sorted = heights
    .map(([azimuthDeg, elevationDeg]) => [((azimuthDeg % 360) + 360) % 360, elevationDeg] as const)
    .sort((a, b) => a[0] - b[0])
  const [first, last] = [sorted[0], sorted.at(-1)]
  if (!first || !last) return () => 0
  const round = [[last[0] - 360, last[1]] as const, ...sorted, [first[0] + 360, first[1]] as const]
  // For each whole degree the first point that is not before it.
  const afters = new Uint16Array(361)
  for (let deg = 0, after = 1; deg <= 360; deg++) {
    while (after < round.length - 1 && (round[after]?.[0] ?? 0) < deg) after++
    afters[deg] = after
  }
  return (azimuthDeg) => {
    let after = afters[Math.floor(azimuthDeg)] ?? 1
    while ((round[after]?.[0] ?? 360) < azimuthDeg) after++
    const [[from, low], [to, high]] = [round[after - 1] ?? first, round[after] ?? first]
    const share = to > from ? (azimuthDeg - from) / (to - from) : 0
    return low + share * (high - low)
  }
}

/** Whether such a horizon hides what lies in a direction; one without heights hides nothing. */
export function farHorizon(heights: readonly HorizonPoint[]): Horizon {
  if (heights.length === 0) return () => false
  const elevationAt = elevationsOf(heights)
  // No horizon is higher than its highest point: most directions need no azimuth.
  const highest = Math.sin(toRadians(Math.max(...heights.map(([, elevation]) => elevation))))
  return (dx, dy, dz) =>
    dz < highest && dz < Math.sin(toRadians(elevationAt((toDegrees(Math.atan2(dx, dy)) + 360) % 360)))
}

const known = new WeakMap<object, Horizon>()

/** The same, made once for the same list; undefined where it has no points. */
export function horizonOf(heights: readonly HorizonPoint[]): Horizon | undefined {
  if (heights.length === 0) return undefined
  let horizon = known.get(heights)
  if (!horizon) known.set(heights, (horizon = farHorizon(heights)))
  return horizon
}
