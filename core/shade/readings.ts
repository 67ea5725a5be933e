import { length3, sub3, type Vec3 } from '../geometry/vector'
import { elevationsOf } from './far-horizon'
import { type HorizonPoint } from './horizon-line'

/** A measured horizon in steps of `readingStepDeg` from north by east, degrees. */
export type ReadingLine = Float64Array

export const readingStepDeg = 0.5
const steps = 360 / readingStepDeg

/** A measured horizon at each step of azimuth. */
export function lineOf(heights: readonly HorizonPoint[]): ReadingLine {
  const elevationAt = elevationsOf(heights)
  return Float64Array.from({ length: steps }, (_, i) => elevationAt(i * readingStepDeg))
}

/** Closer than this a point is where the reading was taken, m. */
const samePlaceM = 0.01

/**
 * The horizon at a point between readings: their mean by the inverse square of the distance (Shepard, 1968), so that each
 * holds where it was taken and none reaches above the highest or below the lowest of them.
 * @param lines what was measured, one at each of `spots`
 * @returns none where there is no reading
 */
export function horizonBetween(
  spots: readonly Vec3[],
  lines: readonly ReadingLine[],
  point: Vec3,
): HorizonPoint[] {
  const weights = spots.map((spot) => {
    const distanceM = length3(sub3(spot, point))
    return distanceM < samePlaceM ? Infinity : 1 / distanceM ** 2
  })
  const here = weights.indexOf(Infinity)
  const sum = weights.reduce((a, b) => a + b, 0)
  if (spots.length === 0) return []
  return Array.from({ length: steps }, (_, i): HorizonPoint => {
    const heightOf = (k: number) => lines[k]?.[i] ?? 0
    if (here >= 0) return [i * readingStepDeg, heightOf(here)]
    let height = 0
    for (let k = 0; k < spots.length; k++) height += ((weights[k] ?? 0) / sum) * heightOf(k)
    return [i * readingStepDeg, height]
  })
}
