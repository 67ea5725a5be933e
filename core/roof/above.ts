import { isConvex, signedArea, triangulate } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { planeHeightM, planOf, type RoofPlane } from './plane'

/** Planes nearer to each other than this are one, m. */
const tieM = 1e-4
/** A piece smaller than this is a slip of rounding, m2. */
const leastM2 = 1e-3

/** What of another plane stands above one. */
export interface PartAbove {
  /** Convex, in plan, counter-clockwise. */
  readonly ring: readonly Vec2[]
  /** Whether it ends where both planes meet. */
  readonly meets: boolean
}

/**
 * Where other planes stand above one.
 * @returns parts which may border on each other; some lie beside the plane
 */
export function partsAbove(plane: RoofPlane, others: readonly RoofPlane[]): PartAbove[] {
  return others.flatMap((other) => {
    const plan = planOf(other.corners)
    const convex = isConvex(plan)
      ? [plan]
      : triangulate(plan).map((corners) => corners.flatMap((i): Vec2[] => (plan[i] ? [plan[i]] : [])))
    const over = (p: Vec2) => planeHeightM(other, p) - planeHeightM(plane, p) - tieM
    return convex
      .map((ring) => clipped(ring, over))
      .filter((ring) => signedArea(ring) > leastM2)
      .map((ring) => ({ ring, meets: ring.some((p) => over(p) < tieM) }))
  })
}

/** The part of a convex ring where a linear function is above nought (Sutherland & Hodgman 1974, one side of it). */
function clipped(ring: readonly Vec2[], value: (p: Vec2) => number): Vec2[] {
  return ring.flatMap((a, i): Vec2[] => {
    const b = ring[(i + 1) % ring.length] ?? a
    const [va, vb] = [value(a), value(b)]
    const cut: Vec2[] =
      va > 0 === vb > 0
        ? []
        : [[a[0] + ((b[0] - a[0]) * va) / (va - vb), a[1] + ((b[1] - a[1]) * va) / (va - vb)]]
    return va > 0 ? [a, ...cut] : cut
  })
}
