import { type Vec2, type Vec3 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { insetOf } from './inset'

/** A wall around a flat roof, standing on its outer wall. */
export interface Parapet {
  /** The line of its inner face, corner by corner beside the outline. */
  readonly inner: readonly Vec2[]
  /** Its top above each side of the outline, counter-clockwise seen from above. */
  readonly tops: readonly (readonly Vec3[])[]
}

/** As thick as a half-stone wall with its render, m. */
const thicknessM = 0.2

/**
 * @param outline counter-clockwise
 * @param topM height of its top over the ground
 * @throws Fault `narrow-parapet` where there is no roof left inside
 */
export function parapetOver(outline: readonly Vec2[], topM: number): Parapet {
  const inner = insetOf(outline, () => thicknessM)
  if (!inner) throw new Fault('narrow-parapet', {}, 'flat')
  const n = outline.length
  const at = (ring: readonly Vec2[], i: number): Vec2 => ring[(i + n) % n] ?? [0, 0]
  const up = ([x, y]: Vec2): Vec3 => [x, y, topM]
  return {
    inner,
    tops: outline.map((a, i) => [up(a), up(at(outline, i + 1)), up(at(inner, i + 1)), up(at(inner, i))]),
  }
}
