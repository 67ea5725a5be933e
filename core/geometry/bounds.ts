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

/** A ball around points. */
export function ballAround(points: readonly Vec3[]): { readonly center: Vec3; readonly radiusM: number } {
  const [low, high] = boundsOf(points)
  const center: Vec3 = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2, (low[2] + high[2]) / 2]
  return { center, radiusM: Math.hypot(high[0] - center[0], high[1] - center[1], high[2] - center[2]) }
}
