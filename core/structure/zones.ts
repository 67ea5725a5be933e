import { distance2, type Vec2 } from '../geometry/vector'
import { containsPoint } from '../geometry/polygon'
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
  const sides = edges.map((is, i) =>
    sideOf(is, corners[i] ?? [0, 0], corners[(i + 1) % corners.length] ?? [0, 0]),
  )
  const [outer, upper] = (['outer', 'upper'] as const).map((wanted) =>
    sides.filter(({ is }) => is === wanted),
  )
  // The wind turns round a corner where two outer edges meet.
  const turns = corners.filter((_, i) => edges[i] === 'outer' && edges.at(i - 1) === 'outer')
  const near = (of: readonly Side[] | undefined, p: Vec2) => of?.some((side) => distanceTo(side, p) < e / 10)
  return (p) => {
    if (near(outer, p)) return turns.some((corner) => distance2(p, corner) < e / 4) ? 'corner' : 'edge'
    return near(upper, p) ? 'ridge' : 'middle'
  }
}

interface Side {
  readonly is: WindyPlane['edges'][number]
  readonly a: Vec2
  /** Along it. */
  readonly unit: Vec2
  readonly lengthM: number
}

function sideOf(is: Side['is'], a: Vec2, b: Vec2): Side {
  const lengthM = distance2(a, b)
  return { is, a, lengthM, unit: lengthM === 0 ? [0, 0] : [(b[0] - a[0]) / lengthM, (b[1] - a[1]) / lengthM] }
}

/** Asked for thousands of times: without anything made on the way. */
function distanceTo({ a, unit, lengthM }: Side, p: Vec2): number {
  const [x, y] = [p[0] - a[0], p[1] - a[1]]
  const along = Math.min(lengthM, Math.max(0, x * unit[0] + y * unit[1]))
  return Math.hypot(x - along * unit[0], y - along * unit[1])
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
