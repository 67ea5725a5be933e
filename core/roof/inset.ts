import { selfCrossing } from '../geometry/polygon'
import { cross2, dot2, left2, sub2, unit2, type Vec2 } from '../geometry/vector'

/** Sine of an angle below which two sides are one line. */
const straight = 1e-6

/**
 * The outline with every side moved inwards, corner by corner beside it; null where a side would turn round or two
 * would meet.
 * @param outline counter-clockwise
 * @param byM how far each side moves
 */
export function insetOf(outline: readonly Vec2[], byM: (side: number) => number): Vec2[] | null {
  const n = outline.length
  const at = (ring: readonly Vec2[], i: number): Vec2 => ring[(i + n) % n] ?? [0, 0]
  const ways = outline.map((a, i) => unit2(sub2(at(outline, i + 1), a)))
  const inner = outline.map((corner, i): Vec2 => {
    const [before, after] = [at(ways, i - 1), at(ways, i)]
    const [inA, inB] = [left2(before), left2(after)]
    const turn = cross2(before, after)
    const [fromA, fromB] = [byM((i + n - 1) % n), byM(i)]
    // Both moved sides pass this corner.
    const k = Math.abs(turn) < straight ? 0 : (fromA - fromB * dot2(inA, inB)) / turn
    return [corner[0] + fromB * inB[0] + k * after[0], corner[1] + fromB * inB[1] + k * after[1]]
  })
  const turned = ways.some((way, i) => dot2(sub2(at(inner, i + 1), at(inner, i)), way) <= 0)
  return turned || selfCrossing(inner) ? null : inner
}
