import { type RoofNode, type SupportLine } from './front'
import { outside, type HalfEdge, type Seams } from './seams'
import { type Border } from './faces'

export type PlaneEdgeKind = 'eave' | 'ridge' | 'hip' | 'valley' | 'rake'

/** Rises less than this over its length, and in all, is level: a roofer's millimetres. */
const levelShare = 2e-3
const levelM = 2e-3

/** What an edge of a face is: by the slopes on both sides, whether water parts or meets there. */
export function kindOf(
  { face, beyond, from, to }: HalfEdge,
  lines: readonly SupportLine[],
  nodes: readonly RoofNode[],
): PlaneEdgeKind {
  if (beyond === outside) return 'eave'
  const [a, b] = [nodes[from], nodes[to]]
  const [mine, other] = [lines[face], lines[beyond]]
  if (!a || !b || !mine || !other) return 'rake'
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
  const length = Math.hypot(dx, dy)
  const rise = Math.abs(b[2] - a[2])
  const level = rise < levelM && rise < levelShare * length
  // Into my face, and how much steeper it rises that way than the other.
  const [nx, ny] = [-dy / length, dx / length]
  if (other.speed === 0) {
    if (!level) return 'rake'
    // Over the upright stretch of its own side it begins; under another wall it ends.
    return other.side === mine.side && other.step < mine.step ? 'eave' : 'ridge'
  }
  const parting =
    (mine.inward[0] / mine.speed - other.inward[0] / other.speed) * nx +
    (mine.inward[1] / mine.speed - other.inward[1] / other.speed) * ny
  if (parting > 0) return 'valley'
  return level ? 'ridge' : 'hip'
}

export interface NamedEdge {
  readonly at: RoofNode
  readonly kind: PlaneEdgeKind
  readonly lengthM: number
}

/** Sine of the turn below which two edges are one straight edge. */
const straightSine = 1e-7

/**
 * Edges of a border with their kinds; those in one line with the same face beyond are one, unless a third face meets there.
 * @param meeting how many faces meet at a node
 */
export function joined(
  border: Border,
  { nodes }: Seams,
  meeting: (node: number) => number,
  kindOfHalf: (half: HalfEdge) => PlaneEdgeKind,
): NamedEdge[] {
  const n = border.length
  const corners = border.filter((half, i) => {
    const before = border[(i + n - 1) % n]
    if (!before || before.beyond !== half.beyond || meeting(half.from) > 2) return true
    const [a, b, c] = [before.at, half.at, nodes[half.to]]
    if (!a || !c) return true
    const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]]
    const straight =
      Math.abs(ux * vy - uy * vx) <= straightSine * Math.hypot(ux, uy) * Math.hypot(vx, vy) + 1e-12 &&
      ux * vx + uy * vy > 0
    return !straight
  })
  return corners.map((half, i) => {
    const end = corners[(i + 1) % corners.length]?.at ?? half.at
    const [x, y, z] = half.at
    return {
      at: half.at,
      kind: kindOfHalf(half),
      lengthM: Math.hypot(end[0] - x, end[1] - y, end[2] - z),
    }
  })
}
