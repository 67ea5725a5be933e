import { type Vec3 } from './vector'

/** The least and the greatest of points along each axis; infinite where there are none. */
export function boundsOf(corners: readonly Vec3[]): [Vec3, Vec3] {
  const low: [number, number, number] = [Infinity, Infinity, Infinity]
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  for (const corner of corners)
    for (const axis of [0, 1, 2] as const) {
      low[axis] = Math.min(low[axis], corner[axis])
      high[axis] = Math.max(high[axis], corner[axis])
    }
  return [low, high]
}
