import { toDegrees, toRadians } from '../model/units'
import { type Horizon } from './engine'

/**
 * A horizon by its heights: between two of them it runs straight, and round the north.
 * @param heights azimuth (clockwise from north) and elevation, degrees, in any order; none hides nothing
 */
export function farHorizon(heights: readonly (readonly [number, number])[]): Horizon {
  const sorted = heights
    .map(([azimuthDeg, elevationDeg]) => [((azimuthDeg % 360) + 360) % 360, elevationDeg] as const)
    .sort((a, b) => a[0] - b[0])
  const [first, last] = [sorted[0], sorted.at(-1)]
  if (!first || !last) return () => false
  const round = [[last[0] - 360, last[1]] as const, ...sorted, [first[0] + 360, first[1]] as const]
  const sines = (azimuthDeg: number) => {
    const after = Math.max(
      1,
      round.findIndex(([at]) => at >= azimuthDeg),
    )
    const [[from, low], [to, high]] = [round[after - 1] ?? first, round[after] ?? first]
    const share = to > from ? (azimuthDeg - from) / (to - from) : 0
    return Math.sin(toRadians(low + share * (high - low)))
  }
  return (dx, dy, dz) => dz < sines((toDegrees(Math.atan2(dx, dy)) + 360) % 360)
}
