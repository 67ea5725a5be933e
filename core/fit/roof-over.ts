import { centroid, containsPoint, nearestOnSegment } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { toDegrees } from '../model/units'
import { labelPoint } from '../roof/label-point'
import { planOf, type RoofPlane } from '../roof/plane'
import { type FittedHouse } from './fit'
import { roofOn, type RoofDraft } from './roof-on'

/** An eave runs this near to the side that was drawn for it, m: by hand, and around the walls rather than the eaves. */
const byHandM = 0.8
/** A plane that looks this much away from square to a side does not rise from it, degrees. */
const acrossDeg = 20

/**
 * Eave height and roof over an outline that was drawn by hand, by what was read from heights there; null where nothing was,
 * or no eave runs along a side.
 */
export function roofOver(outline: readonly Vec2[], house: FittedHouse): RoofDraft | null {
  const planes = house.planes.filter((plane) => {
    const [x, y] = labelPoint(plane)
    return containsPoint(outline, [x, y])
  })
  return planes.length === 0 ? null : roofOn(outline, planes, house, byHandM)
}

/** The side of a building that a plane rises from: of those it looks across the nearest to it; null where it looks across none. */
export function sideUnder(
  outline: readonly Vec2[],
  { corners, azimuthDeg }: Pick<RoofPlane, 'corners' | 'azimuthDeg'>,
): number | null {
  const middle = centroid(planOf(corners))
  let [best, leastM]: [number | null, number] = [null, Infinity]
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a
    // Outwards of a counter-clockwise outline's side, clockwise from north.
    const outDeg = toDegrees(Math.atan2(b[1] - a[1], -(b[0] - a[0])))
    const offDeg = Math.abs(((azimuthDeg - outDeg + 540) % 360) - 180)
    const { distanceM } = nearestOnSegment(a, b, middle)
    if (offDeg < acrossDeg && distanceM < leastM) [best, leastM] = [i, distanceM]
  })
  return best
}

/** The edges of planes, each once: what a drawing can hold on to. */
export function guideLines(planes: readonly Pick<RoofPlane, 'corners'>[]): (readonly [Vec2, Vec2])[] {
  const found = new Map<string, readonly [Vec2, Vec2]>()
  for (const { corners } of planes)
    corners.forEach((a, i) => {
      const b = corners[(i + 1) % corners.length] ?? a
      const ends = [a, b].map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).sort()
      found.set(ends.join(), [
        [a[0], a[1]],
        [b[0], b[1]],
      ])
    })
  return [...found.values()]
}
