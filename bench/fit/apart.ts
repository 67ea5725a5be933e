import { type Vec2 } from '@/core/geometry/vector'

/**
 * Places of labels, moved up or down as little as it takes for none to lie on one before it. y runs down.
 * @param room width and height of each
 */
export function apartFrom(middles: readonly Vec2[], [width, height]: Vec2): Vec2[] {
  const taken: Vec2[] = []
  for (const [x, y] of middles) {
    const near = taken.filter(([other]) => Math.abs(other - x) < width)
    const isFree = (at: number) => near.every(([, other]) => Math.abs(other - at) >= height - 1e-9)
    // Free places begin where one that is taken ends.
    const free = [y, ...near.flatMap(([, other]) => [other - height, other + height])].filter(isFree)
    const best = free.reduce((a, b) => (Math.abs(b - y) < Math.abs(a - y) ? b : a), free[0] ?? y)
    taken.push([x, best])
  }
  return taken
}
