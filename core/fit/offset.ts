import { centroid, nearestOnSegment, signedArea } from '../geometry/polygon'
import { add2, distance2, sub2, type Vec2 } from '../geometry/vector'
import { medianOf } from './survey'

/** How far buildings lie from where others say they are. */
export interface Offset {
  /** By how much they have to be shifted east and north to lie there, m: the median over buildings. */
  readonly byM: Vec2
  readonly buildings: number
}

/** Two outlines may be of one building when they lie this near each other, m, and are alike in area. */
const nearestM = 8
const alike = 0.7
/** Outlines that still lie this far from each other once one is shifted are not of one building, m. */
const worstM = 0.7
/** From point to point along a side, m. */
const stepM = 0.3
const rounds = 12

/**
 * The shift that brings outlines that were found to where they are known to be; null where none is of a known building. What
 * stands out all around, as eaves do, moves nothing.
 */
export function offsetOf(
  found: readonly (readonly Vec2[])[],
  known: readonly (readonly Vec2[])[],
): Offset | null {
  const shifts = found.flatMap((one) => {
    const other = sameAmong(one, known)
    const shift = other && shiftOnto(one, other)
    return shift ? [shift] : []
  })
  if (shifts.length === 0) return null
  return {
    byM: [medianOf(shifts.map(([east]) => east)), medianOf(shifts.map(([, north]) => north))],
    buildings: shifts.length,
  }
}

function sameAmong(one: readonly Vec2[], known: readonly (readonly Vec2[])[]): readonly Vec2[] | undefined {
  const [middle, area] = [centroid(one), Math.abs(signedArea(one))]
  const away = (other: readonly Vec2[]) => distance2(centroid(other), middle)
  return known
    .filter((other) => {
      const theirs = Math.abs(signedArea(other))
      return away(other) < nearestM && Math.min(area, theirs) > alike * Math.max(area, theirs)
    })
    .sort((a, b) => away(a) - away(b))[0]
}

/**
 * The shift with which the points of an outline come to lie on the sides of another, by least squares of their distances
 * square to these sides, again and again as the nearest side changes (Chen and Medioni 1992).
 */
function shiftOnto(one: readonly Vec2[], other: readonly Vec2[]): Vec2 | null {
  const points = alongOf(one)
  let shift = sub2(centroid(other), centroid(one))
  let left = Infinity
  for (let round = 0; round < rounds; round++) {
    let [xx, xy, yy, xd, yd, square] = [0, 0, 0, 0, 0, 0]
    for (const point of points) {
      const { across, distance } = besideOf(add2(point, shift), other)
      xx += across[0] ** 2
      xy += across[0] * across[1]
      yy += across[1] ** 2
      xd += across[0] * distance
      yd += across[1] * distance
      square += distance ** 2
    }
    left = Math.sqrt(square / points.length)
    const whole = xx * yy - xy * xy
    if (whole < 1e-9) return null
    const step: Vec2 = [(xd * yy - yd * xy) / whole, (yd * xx - xd * xy) / whole]
    shift = sub2(shift, step)
    if (Math.hypot(...step) < 1e-4) break
  }
  return left < worstM ? shift : null
}

/** Points along the sides of an outline, evenly. */
const alongOf = (outline: readonly Vec2[]): Vec2[] =>
  outline.flatMap((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a
    const count = Math.max(1, Math.round(distance2(a, b) / stepM))
    return Array.from({ length: count }, (_, k): Vec2 => {
      const share = (k + 0.5) / count
      return [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share]
    })
  })

/** Square to the side that a point lies nearest to, and how far the point lies that way. */
function besideOf(
  point: Vec2,
  outline: readonly Vec2[],
): { readonly across: Vec2; readonly distance: number } {
  let nearest = Infinity
  let [across, distance]: [Vec2, number] = [[1, 0], 0]
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a
    const { distanceM } = nearestOnSegment(a, b, point)
    const length = distance2(a, b)
    if (distanceM >= nearest || length < 1e-9) return
    nearest = distanceM
    across = [(b[1] - a[1]) / length, (a[0] - b[0]) / length]
    distance = (point[0] - a[0]) * across[0] + (point[1] - a[1]) * across[1]
  })
  return { across, distance }
}
