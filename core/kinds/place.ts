import { type Vec2 } from '../geometry/vector'
import { worldM } from '../model/object-base'

/** Documents are written in millimetres. */
export const round = (metres: number) => Math.round(metres * 1000) / 1000

const clamp = (metres: number) => round(Math.max(-worldM, Math.min(worldM, metres)))

/** A point of the plan as a document may hold it: to the millimetre, and not beyond the end of the job's world. */
export const inWorld = ([x, y]: Vec2): Vec2 => [clamp(x), clamp(y)]
