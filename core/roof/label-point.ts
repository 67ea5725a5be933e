import { containsPoint, nearestOnSegment } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { planeHeightM, planOf, type RoofPlane } from './plane'

/** Points that are looked at along each side of a field, and how often it is narrowed down to the best one's cell. */
const [across, rounds] = [9, 3]

/** The point of a plane that lies farthest from its edges and openings (to a few centimetres), where a label has room. */
export function labelPoint(plane: Pick<RoofPlane, 'corners' | 'holes' | 'normal'>): Vec3 {
  const [outer, ...holes] = [plane.corners, ...(plane.holes ?? [])].map(planOf)
  const [xs, ys] = [plane.corners.map(([x]) => x), plane.corners.map(([, y]) => y)]
  let [low, high]: [Vec2, Vec2] = [
    [Math.min(...xs), Math.min(...ys)],
    [Math.max(...xs), Math.max(...ys)],
  ]
  const freeM = (p: Vec2): number => {
    const inside = outer && containsPoint(outer, p) && !holes.some((hole) => containsPoint(hole, p))
    const toEdge = [outer ?? [], ...holes].flatMap((ring) =>
      ring.map((a, i) => nearestOnSegment(a, ring[(i + 1) % ring.length] ?? a, p).distanceM),
    )
    return (inside ? 1 : -1) * Math.min(...toEdge)
  }
  let best: Vec2 = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2]
  let bestM = freeM(best)
  for (let round = 0; round < rounds; round++) {
    const cell: Vec2 = [(high[0] - low[0]) / across, (high[1] - low[1]) / across]
    for (let i = 0; i < across; i++)
      for (let j = 0; j < across; j++) {
        const p: Vec2 = [low[0] + (i + 0.5) * cell[0], low[1] + (j + 0.5) * cell[1]]
        const m = freeM(p)
        if (m > bestM + 1e-6) [best, bestM] = [p, m]
      }
    low = [best[0] - cell[0], best[1] - cell[1]]
    high = [best[0] + cell[0], best[1] + cell[1]]
  }
  return [best[0], best[1], planeHeightM(plane, best)]
}
