import { cross2, sub2, type Vec2 } from './vector'

/**
 * The convex hull of points, counter-clockwise, without points on its sides; fewer than three where all lie in a line.
 * The chains below and above, from left to right (Andrew 1979).
 */
export function convexHull(points: readonly Vec2[]): Vec2[] {
  const sorted = points.toSorted((a, b) => a[0] - b[0] || a[1] - b[1])
  const below = chain(sorted)
  const above = chain(sorted.toReversed())
  return [...below.slice(0, -1), ...above.slice(0, -1)]
}

function chain(points: readonly Vec2[]): Vec2[] {
  const kept: Vec2[] = []
  for (const p of points) {
    for (;;) {
      const [a, b] = [kept.at(-2), kept.at(-1)]
      if (!a || !b || cross2(sub2(b, a), sub2(p, b)) > 0) break
      kept.pop()
    }
    kept.push(p)
  }
  return kept
}
