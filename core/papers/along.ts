import { type Mark } from '../drawing/paper'
import { type Vec2 } from '../geometry/vector'
import { letters, textMm } from './sheet'

/**
 * A text along a line on paper, read from below or from the right; none where the line is too short for it.
 * @param where to the right of the way from `a` to `b`, which is outside a ring told counter-clockwise, or on the line itself
 */
export function writtenAlong(
  text: string,
  [a, b]: readonly [Vec2, Vec2],
  leastMm: number,
  layer: string,
  where: 'right' | 'on' = 'right',
): Mark[] {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1])
  if (length < leastMm) return []
  const turn = (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI
  const upright = turn > 90 ? turn - 180 : turn <= -90 ? turn + 180 : turn
  // y runs down on paper.
  const out: Vec2 = [-(b[1] - a[1]) / length, (b[0] - a[0]) / length]
  const off = where === 'on' ? 0 : 1 + textMm / 2
  // Letters stand on their foot line: a third of their height lower they are centred.
  const down = (upright * Math.PI) / 180
  const at: Vec2 = [
    (a[0] + b[0]) / 2 + out[0] * off - (Math.sin(down) * textMm) / 3,
    (a[1] + b[1]) / 2 + out[1] * off + (Math.cos(down) * textMm) / 3,
  ]
  return [letters(text, at, { layer, anchor: 'middle', halo: true, turnDeg: upright })]
}
