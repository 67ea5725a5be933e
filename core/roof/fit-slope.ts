import { toDegrees } from '../model/units'
import { cross2, distance2, sub2, type Vec2 } from '../geometry/vector'

/** A point of known height on a plane. */
export interface HeightPoint {
  /** In plan, inwards from the side that the plane rises from, m. */
  readonly inwardM: number
  readonly heightM: number
}

/** How far a point lies inside a side of a counter-clockwise outline, m. */
export const inwardOf = (a: Vec2, b: Vec2, p: Vec2): number =>
  cross2(sub2(b, a), sub2(p, a)) / distance2(a, b)

export interface FittedSlope {
  readonly pitchDeg: number
  /** Height at the side itself. */
  readonly eaveM: number
  /** Greatest distance of a point from it, upright, m. */
  readonly offM: number
}

/** Points nearer to each other than this, up the slope, tell of no pitch, m. */
const nearestM = 0.1

/**
 * The slope that rises from a side and comes nearest to points of known height, by least squares; two lie on it.
 * @returns null where the points lie side by side, so that they tell of no pitch
 */
export function fitSlope(points: readonly HeightPoint[]): FittedSlope | null {
  const n = points.length
  const along = points.map(({ inwardM }) => inwardM)
  if (n < 2 || Math.max(...along) - Math.min(...along) < nearestM) return null
  const meanIn = along.reduce((a, b) => a + b, 0) / n
  const meanUp = points.reduce((sum, { heightM }) => sum + heightM, 0) / n
  let [both, squares] = [0, 0]
  for (const { inwardM, heightM } of points) {
    both += (inwardM - meanIn) * (heightM - meanUp)
    squares += (inwardM - meanIn) ** 2
  }
  const rise = both / squares
  const eaveM = meanUp - rise * meanIn
  return {
    pitchDeg: toDegrees(Math.atan(rise)),
    eaveM,
    offM: Math.max(...points.map(({ inwardM, heightM }) => Math.abs(eaveM + rise * inwardM - heightM))),
  }
}
