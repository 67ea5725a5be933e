import { Fault } from '../model/fault'
import { toDegrees, toRadians } from '../model/units'
import { selfCrossing, signedArea } from '../geometry/polygon'
import { dot2, left2, length2, scale2, sub2, unit2, type Vec2, type Vec3 } from '../geometry/vector'
import { chainLoop } from './chain-loop'
import { shrinkFront, type FrontSegment } from './wavefront'

/** What a roof does above one edge of its outline: rises from it, or ends there in a gable. */
export type RoofEdge = { readonly pitchDeg: number } | { readonly gable: true }

const isGable = (edge: RoofEdge): edge is { readonly gable: true } => 'gable' in edge

/** A building as far as its roof goes. */
export interface Building {
  /** Counter-clockwise seen from above, metres. */
  readonly outline: readonly Vec2[]
  readonly eaveHeightM: number
  /** One to an outline edge; edge i runs from corner i to corner i + 1. */
  readonly edges: readonly RoofEdge[]
}

export type PlaneEdgeKind = 'eave' | 'ridge' | 'hip' | 'valley' | 'rake'

/** One plane of a roof. Corners run counter-clockwise seen from above; edge i from corner i to i + 1. */
export interface RoofPlane {
  /** "e" and the index of the outline edge it rises from (the least one where several lie in one plane). */
  readonly id: string
  readonly edgeIndex: number
  readonly corners: readonly Vec3[]
  readonly edges: readonly { readonly kind: PlaneEdgeKind; readonly lengthM: number }[]
  readonly pitchDeg: number
  /** Clockwise from north, the way the plane looks (down the slope). */
  readonly azimuthDeg: number
  readonly areaM2: number
  /** Upward unit normal. */
  readonly normal: Vec3
}

export interface Roof {
  readonly planes: readonly RoofPlane[]
  /** Upright triangles over gable edges: eave corner, eave corner, then back along the top. */
  readonly gables: readonly { readonly edgeIndex: number; readonly corners: readonly Vec3[] }[]
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

/** An edge shorter than this is a slip of the hand. */
const shortestEdgeM = 0.05

/**
 * Says what is wrong with an outline.
 * @throws Fault `short-outline`, `short-edge`, `crossing-outline`, `clockwise-outline`, each with its path.
 */
export function checkOutline(outline: readonly Vec2[]): void {
  if (outline.length < 3) throw new Fault('short-outline', {}, 'outline')
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a
    if (Math.hypot(a[0] - b[0], a[1] - b[1]) < shortestEdgeM)
      throw new Fault(
        'short-edge',
        { side: i + 1, limit: { value: shortestEdgeM, unit: 'm' } },
        `outline.${i}`,
      )
  })
  const crossing = selfCrossing(outline)
  if (crossing)
    throw new Fault(
      'crossing-outline',
      { side: crossing[0] + 1, other: crossing[1] + 1 },
      `outline.${crossing[0]}`,
    )
  if (signedArea(outline) <= 0) throw new Fault('clockwise-outline', {}, 'outline')
}

/**
 * The roof over an outline: straight skeleton with a pitch to each edge and gables as edges that do not move.
 * Planes that lie in one plane and touch are joined.
 * @throws Fault from `checkOutline`, `bad-edges`, `all-gables`, `no-closed-roof`, `roof-not-possible`.
 */
export function buildRoof({ outline, edges, eaveHeightM }: Building): Roof {
  checkOutline(outline)
  if (edges.length !== outline.length)
    throw new Fault('bad-edges', { sides: outline.length, given: edges.length }, 'edges')
  if (edges.every(isGable)) throw new Fault('all-gables', {}, 'edges')
  const speeds = edges.map((edge) => (isGable(edge) ? 0 : 1 / Math.tan(toRadians(edge.pitchDeg))))
  const segments = shrinkFront(outline, speeds)
  const group = joinCoplanar(outline, edges, segments)
  const planes: RoofPlane[] = []
  for (const leader of new Set(group)) {
    const edge = edges[leader]
    if (!edge || isGable(edge)) continue
    planes.push(planeOf(leader, group, outline, edges, segments, eaveHeightM))
  }
  const covered = planes.reduce(
    (sum, plane) => sum + signedArea(plane.corners.map((c): Vec2 => [c[0], c[1]])),
    0,
  )
  const area = signedArea(outline)
  if (Math.abs(covered - area) > coverTolerance * area) throw new Fault('roof-not-possible', {}, 'edges')
  return {
    planes,
    gables: edges.flatMap((edge, i) => (isGable(edge) ? gableOf(i, outline, segments, eaveHeightM) : [])),
    ridgeHeightM: Math.max(...planes.flatMap((plane) => plane.corners.map((c) => c[2]))),
  }
}

const ends = (outline: readonly Vec2[], i: number): [Vec2, Vec2] => [
  outline[i] as Vec2,
  outline[(i + 1) % outline.length] as Vec2,
]

const inward = (outline: readonly Vec2[], i: number): Vec2 => {
  const [a, b] = ends(outline, i)
  return left2(unit2(sub2(b, a)))
}

/** Edges within a quarter of a degree and two centimetres of one line are one eave: a drawing is not truer than that. */
const sameWayCosine = 1 - 1e-5
const sameLineM = 0.02

/** Planes must cover the outline to this share; closed slivers of a millimetre stay far below it. */
const coverTolerance = 1e-3

/** For each outline edge the least edge whose plane it shares. */
function joinCoplanar(
  outline: readonly Vec2[],
  edges: readonly RoofEdge[],
  segments: readonly FrontSegment[],
): number[] {
  const group = outline.map((_, i) => i)
  const find = (i: number): number => (group[i] === i ? i : find(group[i] as number))
  for (const {
    edges: [a, b],
  } of segments) {
    const [ea, eb] = [edges[a], edges[b]]
    if (!ea || !eb || isGable(ea) || isGable(eb) || Math.abs(ea.pitchDeg - eb.pitchDeg) > 1e-9) continue
    const [na, nb] = [inward(outline, a), inward(outline, b)]
    const apart = dot2(na, sub2(ends(outline, b)[0], ends(outline, a)[0]))
    if (dot2(na, nb) < sameWayCosine || Math.abs(apart) > sameLineM) continue
    const [ra, rb] = [find(a), find(b)]
    group[Math.max(ra, rb)] = Math.min(ra, rb)
  }
  return group.map((_, i) => find(i))
}

/** Up-slope direction in plan, times the rise for each metre. */
const gradient = (outline: readonly Vec2[], edges: readonly RoofEdge[], i: number): Vec2 => {
  const edge = edges[i]
  return !edge || isGable(edge) ? [0, 0] : scale2(inward(outline, i), Math.tan(toRadians(edge.pitchDeg)))
}

function planeOf(
  leader: number,
  group: readonly number[],
  outline: readonly Vec2[],
  edges: readonly RoofEdge[],
  segments: readonly FrontSegment[],
  eaveHeightM: number,
): RoofPlane {
  const pieces: { from: Vec3; to: Vec3; kind: PlaneEdgeKind }[] = []
  group.forEach((g, i) => {
    if (g !== leader) return
    const [a, b] = ends(outline, i)
    pieces.push({ from: [a[0], a[1], 0], to: [b[0], b[1], 0], kind: 'eave' })
  })
  for (const { from, to, edges: pair } of segments) {
    const [ga, gb] = [group[pair[0]], group[pair[1]]]
    if ((ga === leader) === (gb === leader)) continue
    const mine = ga === leader ? pair[0] : pair[1]
    const other = ga === leader ? pair[1] : pair[0]
    pieces.push({ from, to, kind: kindOf(from, to, mine, other, outline, edges) })
  }
  const loop = chainLoop(pieces, (a, b) => a.kind === b.kind)
  const edge = edges[leader]
  const pitchDeg = edge && !isGable(edge) ? edge.pitchDeg : 0
  // The longest edge of those in one line says best which way the plane looks.
  const lengthOf = (i: number) => length2(sub2(ends(outline, i)[1], ends(outline, i)[0]))
  const longest = group.reduce(
    (best, g, i) => (g === leader && lengthOf(i) > lengthOf(best) ? i : best),
    leader,
  )
  const up = inward(outline, longest)
  const pitch = toRadians(pitchDeg)
  const flat = loop.map((piece): Vec2 => [piece.from[0], piece.from[1]])
  const azimuth = toDegrees(Math.atan2(-up[0], -up[1]))
  return {
    id: `e${leader}`,
    edgeIndex: leader,
    corners: loop.map(({ from }): Vec3 => [from[0], from[1], from[2] + eaveHeightM]),
    edges: loop.map(({ from, to, kind }) => ({
      kind,
      lengthM: Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]),
    })),
    pitchDeg,
    azimuthDeg: (azimuth + 360) % 360,
    areaM2: signedArea(flat) / Math.cos(pitch),
    normal: [-up[0] * Math.sin(pitch), -up[1] * Math.sin(pitch), Math.cos(pitch)],
  }
}

function kindOf(
  from: Vec3,
  to: Vec3,
  mine: number,
  other: number,
  outline: readonly Vec2[],
  edges: readonly RoofEdge[],
): PlaneEdgeKind {
  const level = Math.abs(from[2] - to[2]) < 1e-6
  const neighbour = edges[other]
  if (!neighbour || isGable(neighbour)) return level ? 'ridge' : 'rake'
  // Off the seam, into my own side: my slope and the other's slope decide whether water parts or meets there.
  const along = unit2([to[0] - from[0], to[1] - from[1]])
  const mineUp = gradient(outline, edges, mine)
  const otherUp = gradient(outline, edges, other)
  let side = left2(along)
  // Faces lie on the side where their own plane is the higher one of a valley and the lower one of a ridge; the
  // outline edge itself tells which side is mine.
  const [a, b] = ends(outline, mine)
  const middle: Vec2 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
  const seam: Vec2 = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
  if (dot2(side, sub2(middle, seam)) < 0) side = scale2(side, -1)
  const parting = dot2(mineUp, side) - dot2(otherUp, side)
  if (parting > 0) return 'valley'
  return level ? 'ridge' : 'hip'
}

function gableOf(
  edge: number,
  outline: readonly Vec2[],
  segments: readonly FrontSegment[],
  eaveHeightM: number,
) {
  const [a, b] = ends(outline, edge)
  const pieces: { from: Vec3; to: Vec3 }[] = [{ from: [a[0], a[1], 0], to: [b[0], b[1], 0] }]
  for (const { from, to, edges: pair } of segments) if (pair.includes(edge)) pieces.push({ from, to })
  if (pieces.length < 3) return []
  const loop = chainLoop(pieces, () => true)
  return [
    { edgeIndex: edge, corners: loop.map(({ from }): Vec3 => [from[0], from[1], from[2] + eaveHeightM]) },
  ]
}
