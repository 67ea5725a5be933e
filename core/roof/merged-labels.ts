import { containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { type PlaneEdgeKind } from './labels'
import { planeHeightM, type RoofPlane } from './plane'

/** An edge of a plane among several volumes; at a wall another volume rises from it. */
export interface MergedEdge {
  readonly kind: PlaneEdgeKind | 'wall'
  readonly lengthM: number
}

/** What is left of a plane: its outer ring, counter-clockwise, and its holes, clockwise, in plan. */
export interface CutFace {
  readonly plane: RoofPlane
  readonly volume: number
  readonly id: string
  readonly rings: readonly (readonly Vec2[])[]
}

/** How far beside an edge it is looked for what lies beyond, m. */
const asideM = 2e-3
/** Heights nearer than this are one: planes meet there, m. */
const meetsM = 1e-2
/** A corner of another face this near to an edge parts it, m. */
const onEdgeM = 5e-5
/** Rises less than this over its length is level. */
const levelShare = 2e-3
const straightSine = 1e-4

interface Piece {
  readonly from: Vec2
  readonly to: Vec2
  readonly kind: MergedEdge['kind']
  readonly beyond: number
}

const gradient = ({ normal }: RoofPlane): Vec2 => [-normal[0] / normal[2], -normal[1] / normal[2]]

/** The faces with their outer edges named by what lies beyond them, parted where that changes. */
export function labelled(
  faces: readonly CutFace[],
): readonly (CutFace & { readonly edges: readonly MergedEdge[]; readonly edgeStarts: readonly Vec2[] })[] {
  const corners = faces.flatMap(({ rings }) => rings.flat())
  return faces.map((face, own) => {
    const outer = face.rings[0] ?? []
    const pieces = outer.flatMap((a, i): Piece[] => {
      const b = outer[(i + 1) % outer.length] ?? a
      const stops = [a, ...cornersOn(a, b, corners), b]
      return stops.slice(0, -1).map((from, k): Piece => {
        const to = stops[k + 1] ?? b
        return { from, to, ...nameOf(face, own, faces, from, to) }
      })
    })
    const starts = pieces.filter((piece, i) => {
      const before = pieces[(i + pieces.length - 1) % pieces.length]
      return (
        !before || before.kind !== piece.kind || before.beyond !== piece.beyond || !isStraight(before, piece)
      )
    })
    return {
      ...face,
      edgeStarts: starts.map(({ from }) => from),
      edges: starts.map(({ from, kind }, i): MergedEdge => {
        const to = starts[(i + 1) % starts.length]?.from ?? from
        const rise = planeHeightM(face.plane, to) - planeHeightM(face.plane, from)
        return { kind, lengthM: Math.hypot(to[0] - from[0], to[1] - from[1], rise) }
      }),
    }
  })
}

/** Corners that lie on an edge between its ends, in order. */
function cornersOn(a: Vec2, b: Vec2, corners: readonly Vec2[]): Vec2[] {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1])
  const [x, y] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
  const along = (p: Vec2) => (p[0] - a[0]) * x + (p[1] - a[1]) * y
  const found = corners.filter((p) => {
    const t = along(p)
    return t > asideM && t < length - asideM && Math.abs((p[1] - a[1]) * x - (p[0] - a[0]) * y) < onEdgeM
  })
  found.sort((p, q) => along(p) - along(q))
  return found.filter((p, i) => i === 0 || along(p) - along(found[i - 1] ?? a) > asideM)
}

function isStraight(before: Piece, after: Piece): boolean {
  const [ux, uy] = [before.to[0] - before.from[0], before.to[1] - before.from[1]]
  const [vx, vy] = [after.to[0] - after.from[0], after.to[1] - after.from[1]]
  return (
    Math.abs(ux * vy - uy * vx) < straightSine * Math.hypot(ux, uy) * Math.hypot(vx, vy) &&
    ux * vx + uy * vy > 0
  )
}

/** What an edge is, and which face lies beyond it; -1 for none. */
function nameOf(
  face: CutFace,
  own: number,
  faces: readonly CutFace[],
  from: Vec2,
  to: Vec2,
): { readonly kind: MergedEdge['kind']; readonly beyond: number } {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1])
  // Into the face, which lies at the left.
  const inward: Vec2 = [-(to[1] - from[1]) / length, (to[0] - from[0]) / length]
  const middle: Vec2 = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
  const outside: Vec2 = [middle[0] - inward[0] * asideM, middle[1] - inward[1] * asideM]
  const beyond = faces.findIndex((other, k) => k !== own && covers(other, outside))
  const mine = gradient(face.plane)
  const rise = Math.abs(planeHeightM(face.plane, to) - planeHeightM(face.plane, from))
  const isLevel = rise < levelShare * length
  const other = faces[beyond]
  const stepM = other ? planeHeightM(other.plane, middle) - planeHeightM(face.plane, middle) : -Infinity
  if (other && Math.abs(stepM) <= meetsM) {
    const theirs = gradient(other.plane)
    const parting = (mine[0] - theirs[0]) * inward[0] + (mine[1] - theirs[1]) * inward[1]
    if (parting > 1e-6) return { kind: 'valley', beyond }
    return { kind: isLevel ? 'ridge' : 'hip', beyond }
  }
  if (stepM > 0) return { kind: 'wall', beyond }
  // Nothing beyond, or something below: where it ends, its own slope says as what.
  if (!isLevel) return { kind: 'rake', beyond }
  return { kind: mine[0] * inward[0] + mine[1] * inward[1] >= 0 ? 'eave' : 'ridge', beyond }
}

/** Whether a face covers a point of the plan: inside an odd number of its rings. */
const covers = ({ rings }: CutFace, p: Vec2): boolean =>
  rings.filter((ring) => containsPoint(ring, p)).length % 2 === 1
