import { type Vec2 } from '../geometry/vector'
import { worldM } from '../model/object-base'

/** Documents are written in millimetres. */
export const round = (metres: number) => Math.round(metres * 1000) / 1000

const clamp = (metres: number) => round(Math.max(-worldM, Math.min(worldM, metres)))

/** A point of the plan as a document may hold it: to the millimetre, and not beyond the end of the job's world. */
export const inWorld = ([x, y]: Vec2): Vec2 => [clamp(x), clamp(y)]

/** Points moved together as far as the end of the world lets all of them go, so that what they outline keeps its shape. */
export function movedTogether(points: readonly Vec2[], by: Vec2): Vec2[] {
  const within = (axis: 0 | 1) => {
    const along = points.map((p) => p[axis])
    return Math.max(-worldM - Math.min(...along), Math.min(worldM - Math.max(...along), by[axis]))
  }
  const [dx, dy] = [within(0), within(1)]
  return points.map(([x, y]) => inWorld([x + dx, y + dy]))
}
