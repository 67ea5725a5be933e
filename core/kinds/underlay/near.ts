import { type Vec2 } from '../../geometry/vector'
import { type LineDrawing } from '../../imports/line-drawing'
import { onGround, onSheet, type Lie } from './lie'

/** Pieces of a drawing's lines that come near a point of the ground, on the ground: what tools hold on to. */
export function linesNear(
  drawing: LineDrawing,
  lie: Lie,
  hiddenLayers: readonly string[],
  at: Vec2,
  reachM: number,
): (readonly [Vec2, Vec2])[] {
  const [x, y] = onSheet(lie, at)
  const reach = reachM / lie.metresPerUnit
  const hidden = new Set(hiddenLayers)
  const near: (readonly [Vec2, Vec2])[] = []
  for (const { name, lines } of drawing.layers) {
    if (hidden.has(name)) continue
    for (const line of lines)
      for (let i = 1; i < line.length; i++) {
        const [a, b] = [line[i - 1], line[i]]
        if (!a || !b) continue
        // Its box first: most lines of a drawing are elsewhere.
        if (Math.min(a[0], b[0]) > x + reach || Math.max(a[0], b[0]) < x - reach) continue
        if (Math.min(a[1], b[1]) > y + reach || Math.max(a[1], b[1]) < y - reach) continue
        near.push([onGround(lie, a), onGround(lie, b)])
      }
  }
  return near
}
