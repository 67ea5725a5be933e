import { cross2, dot2, left2, sub2, unit2, type Vec2, type Vec3 } from '../geometry/vector'
import { selfCrossing } from '../geometry/polygon'
import { Fault } from '../model/fault'

/** A wall around a flat roof, standing on its outer wall. */
export interface Parapet {
  /** The line of its inner face, corner by corner beside the outline. */
  readonly inner: readonly Vec2[]
  /** Its top above each side of the outline, counter-clockwise seen from above. */
  readonly tops: readonly (readonly Vec3[])[]
}

/** As thick as a half-stone wall with its render, m. */
const thicknessM = 0.2
/** Sine of an angle below which two sides are one line. */
const straight = 1e-6

/**
 * @param outline counter-clockwise
 * @param topM height of its top over the ground
 * @throws Fault `narrow-parapet` where there is no roof left inside
 */
export function parapetOver(outline: readonly Vec2[], topM: number): Parapet {
  const n = outline.length
  const at = (ring: readonly Vec2[], i: number): Vec2 => ring[(i + n) % n] ?? [0, 0]
  const ways = outline.map((a, i) => unit2(sub2(at(outline, i + 1), a)))
  const inner = outline.map((corner, i): Vec2 => {
    const [before, after] = [at(ways, i - 1), at(ways, i)]
    const [inA, inB] = [left2(before), left2(after)]
    const turn = cross2(before, after)
    // Both inner faces pass this corner at the wall's thickness.
    const k = Math.abs(turn) < straight ? 0 : (1 - dot2(inA, inB)) / turn
    return [
      corner[0] + thicknessM * (inB[0] + k * after[0]),
      corner[1] + thicknessM * (inB[1] + k * after[1]),
    ]
  })
  const turned = ways.some((way, i) => dot2(sub2(at(inner, i + 1), at(inner, i)), way) <= 0)
  if (turned || selfCrossing(inner)) throw new Fault('narrow-parapet', {}, 'flat')
  const up = ([x, y]: Vec2): Vec3 => [x, y, topM]
  return {
    inner,
    tops: outline.map((a, i) => [up(a), up(at(outline, i + 1)), up(at(inner, i + 1)), up(at(inner, i))]),
  }
}
