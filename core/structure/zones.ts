import { distance2, type Vec2 } from '../geometry/vector'
import { containsPoint, nearestOnSegment } from '../geometry/polygon'
import { planOf, type RoofPlane } from '../roof/plane'
import { type WindZone } from './wind'

/** A roof plane in its own coordinates, and how big the building is. */
export interface WindyPlane {
  /** Corners along the eave and up the slope, m; edge i from corner i to i + 1. */
  readonly corners: readonly Vec2[]
  /** What each edge is to the wind; null where something rises behind it. */
  readonly edges: readonly ('outer' | 'upper' | null)[]
  /** The building's greatest width, and its height over the ground. */
  readonly widthM: number
  readonly heightM: number
}

/**
 * Tells which zone of a plane a point is in, EN 1991-1-4:2005, figures 7.6 and 7.8: with e the lesser of the building's
 * width and twice its height, edges reach e/10 inwards and corners e/4 along them.
 */
export function zonesOf({ corners, edges, widthM, heightM }: WindyPlane): (p: Vec2) => WindZone {
  const e = Math.min(widthM, 2 * heightM)
  const sides = edges.map((is, i) => ({
    is,
    a: corners[i] ?? ([0, 0] as const),
    b: corners[(i + 1) % corners.length] ?? ([0, 0] as const),
  }))
  // The wind turns round a corner where two outer edges meet.
  const turns = corners.filter((_, i) => edges[i] === 'outer' && edges.at(i - 1) === 'outer')
  return (p) => {
    const near = (wanted: 'outer' | 'upper') =>
      sides.some(({ is, a, b }) => is === wanted && nearestOnSegment(a, b, p).distanceM < e / 10)
    if (near('outer')) return turns.some((corner) => distance2(p, corner) < e / 4) ? 'corner' : 'edge'
    return near('upper') ? 'ridge' : 'middle'
  }
}

const edgesToWind: Readonly<Record<RoofPlane['edges'][number]['kind'], 'outer' | 'upper' | null>> = {
  eave: 'outer',
  rake: 'outer',
  ridge: 'upper',
  hip: 'upper',
  valley: null,
  wall: null,
}

/** Beyond an edge as seen from above, to ask what is there, m. */
const beyondM = 0.05

/**
 * What each edge of a plane is to the wind. The upper edge of a roof of one slope is an outer one.
 * @param faces all planes of the building
 */
export const windyEdges = (plane: RoofPlane, faces: readonly RoofPlane[]): ('outer' | 'upper' | null)[] =>
  plane.edges.map(({ kind }, i) => {
    const is = edgesToWind[kind]
    const [a, b] = [plane.corners[i], plane.corners[(i + 1) % plane.corners.length]]
    if (is !== 'upper' || !a || !b) return is
    const length = Math.hypot(b[0] - a[0], b[1] - a[1])
    if (length === 0) return is
    // To the right of the way round, which is outside.
    const beyond: Vec2 = [
      (a[0] + b[0]) / 2 + (beyondM * (b[1] - a[1])) / length,
      (a[1] + b[1]) / 2 - (beyondM * (b[0] - a[0])) / length,
    ]
    return faces.some((face) => containsPoint(planOf(face.corners), beyond)) ? is : 'outer'
  })
