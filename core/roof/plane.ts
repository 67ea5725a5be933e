import { toDegrees } from '../model/units'
import { length3, newell, sub3, unit3, type Vec2, type Vec3 } from '../geometry/vector'
import { type PlaneEdgeKind } from './labels'
import { type RoofEdge } from './profile'

/** A building as far as its roof goes. */
export interface Building {
  /** Counter-clockwise seen from above, metres. */
  readonly outline: readonly Vec2[]
  /** Courtyards, clockwise; their sides come after the outline's, in order. */
  readonly holes?: readonly (readonly Vec2[])[]
  readonly eaveHeightM: number
  /** One to a side; side i runs from corner i to corner i + 1. */
  readonly edges: readonly RoofEdge[]
}

/** One plane of a roof. Corners run counter-clockwise seen from above; edge i from corner i to i + 1. */
export interface RoofPlane {
  /**
   * "e" and the index of the side it rises from (the least one where several lie in one plane), and behind a point which
   * stretch of the side's profile it is, where it is not the first.
   */
  readonly id: string
  readonly edgeIndex: number
  /** Which stretch of the side's profile it is, 0 at the eave. */
  readonly step: number
  readonly corners: readonly Vec3[]
  /** At a wall something else rises from the plane, or through it. */
  readonly edges: readonly { readonly kind: PlaneEdgeKind | 'wall'; readonly lengthM: number }[]
  /** Openings inside the plane, clockwise: where something stands through it. */
  readonly holes?: readonly (readonly Vec3[])[]
  readonly pitchDeg: number
  /** Clockwise from north, the way the plane looks (down the slope). */
  readonly azimuthDeg: number
  readonly areaM2: number
  /** Upward unit normal. */
  readonly normal: Vec3
}

export interface Roof {
  readonly planes: readonly RoofPlane[]
  /** Upright faces over gable sides and inside the roof, where one plane ends above another. */
  readonly gables: readonly { readonly corners: readonly Vec3[] }[]
  readonly ridgeHeightM: number
}

/** Corners of the plan under corners in space. */
export const planOf = (corners: readonly Vec3[]): Vec2[] => corners.map((c): Vec2 => [c[0], c[1]])

/** Height of a plane over a point of the plan. */
export function planeHeightM(plane: Pick<RoofPlane, 'corners' | 'normal'>, p: Vec2): number {
  const corner = plane.corners[0] ?? [0, 0, 0]
  return (
    corner[2] -
    (plane.normal[0] * (p[0] - corner[0]) + plane.normal[1] * (p[1] - corner[1])) / plane.normal[2]
  )
}

/** A plane by its corners, counter-clockwise seen from above and in one plane, with the kind of each edge. */
export function planeThrough(
  edgeIndex: number,
  corners: readonly Vec3[],
  kinds: readonly PlaneEdgeKind[],
): RoofPlane {
  const twice = newell(corners)
  const normal = unit3(twice)
  const [x, y, z] = normal
  const level = Math.hypot(x, y)
  return {
    id: `e${edgeIndex}`,
    edgeIndex,
    step: 0,
    corners,
    edges: corners.map((a, i) => ({
      kind: kinds[i] ?? 'eave',
      lengthM: length3(sub3(corners[(i + 1) % corners.length] ?? a, a)),
    })),
    pitchDeg: toDegrees(Math.atan2(level, z)),
    azimuthDeg: level < 1e-9 ? 0 : (toDegrees(Math.atan2(x, y)) + 360) % 360,
    areaM2: length3(twice) / 2,
    normal,
  }
}
