import { type Vec2, type Vec3 } from '../geometry/vector'

/** How many times as far from the middle a grip was dragged, along its own way. */
export function stretch(center: Vec2, grip: Vec3, to: Vec2): number {
  const [x, y] = [grip[0] - center[0], grip[1] - center[1]]
  return ((to[0] - center[0]) * x + (to[1] - center[1]) * y) / (x * x + y * y)
}
