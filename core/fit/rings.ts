import { containsPoint, nearestOnSegment } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'

/** An outer ring and openings in it. */
export type Rings = readonly (readonly Vec2[])[]

export interface Box {
  readonly low: Vec2
  readonly high: Vec2
}

/** The box around points of the plan, wider by a margin, m. */
export function boxOf(points: readonly Vec2[], marginM = 0): Box {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  return {
    low: [Math.min(...xs) - marginM, Math.min(...ys) - marginM],
    high: [Math.max(...xs) + marginM, Math.max(...ys) + marginM],
  }
}

export const inBox = ({ low, high }: Box, [x, y]: Vec2): boolean =>
  x >= low[0] && x <= high[0] && y >= low[1] && y <= high[1]

/** Whether a point lies inside the outer ring and in no opening. */
export const holds = ([outer = [], ...holes]: Rings, p: Vec2): boolean =>
  containsPoint(outer, p) && !holes.some((hole) => containsPoint(hole, p))

/** How far a point is from the nearest side of any ring, m. */
export const awayFrom = (rings: Rings, p: Vec2): number =>
  Math.min(
    ...rings.map((ring) =>
      Math.min(...ring.map((a, i) => nearestOnSegment(a, ring[(i + 1) % ring.length] ?? a, p).distanceM)),
    ),
  )
