import { type Vec2 } from '../geometry/vector'
import { inWorld } from './place'
import { type MirrorAxis, type Reshape } from './standing'

/** A point of the plan turned over about another. */
export const mirroredInPlan = ([x, y]: Vec2, [cx, cy]: Vec2, axis: MirrorAxis): Vec2 =>
  axis === 'east-west' ? [2 * cx - x, y] : [x, 2 * cy - y]

/** The same where documents hold it. */
export const mirroredPoint = (p: Vec2, about: Vec2, axis: MirrorAxis): Vec2 =>
  inWorld(mirroredInPlan(p, about, axis))

/** The same direction, over -180 and up to 180 degrees. */
export const wrappedDeg = (deg: number): number => {
  const rest = deg % 360
  return rest > 180 ? rest - 360 : rest <= -180 ? rest + 360 : rest
}

/**
 * A turn of a direction that has its back on its right: the side that was in front is in front of the turned one.
 * Whoever has no front looks the same by it.
 */
export const mirroredTurnDeg = (rotationDeg: number, axis: MirrorAxis): number =>
  wrappedDeg(axis === 'east-west' ? -rotationDeg : 180 - rotationDeg)

/** For what turns over by its rotation alone. */
export const turnedOver = <T extends { readonly rotationDeg: number }>(
  object: T,
  axis: MirrorAxis,
): Reshape<{ readonly rotationDeg: number }> => ({
  fields: { rotationDeg: mirroredTurnDeg(object.rotationDeg, axis) },
  sideAfter: (side) => side,
})

/** The middle of the box round points. */
export function boxMiddle(points: readonly Vec2[]): Vec2 {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
}
