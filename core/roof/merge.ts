import { Clipper, FillRule, type Path64, type Paths64 } from 'clipper2-ts'
import { containsPoint, signedArea } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { labelled, type CutFace, type MergedEdge } from './merged-labels'
import { planeHeightM, planOf, type Roof, type RoofPlane } from './plane'

/** A plane of a roof of several volumes: what of it is seen from above. */
export interface MergedPlane extends Omit<RoofPlane, 'edges'> {
  readonly edges: readonly MergedEdge[]
  /** Which volume it belongs to. */
  readonly volume: number
}

/** Clipper works in whole numbers: hundredths of a millimetre. */
const perMetre = 100_000
/** Planes nearer to each other than this are one, m; the earlier volume has it. */
const tieM = 1e-4
/** What is left of a plane under this is a slip of rounding, m2. */
const leastPlanM2 = 1e-3
/** Cuts nearer to a corner than this are made there, hundredths of a millimetre. */
const nearCorner = 3

const toPath = (points: readonly Vec2[]): Path64 =>
  points.map(([x, y]) => ({ x: Math.round(x * perMetre), y: Math.round(y * perMetre) }))
const toPoints = (path: Path64): Vec2[] => path.map(({ x, y }): Vec2 => [x / perMetre, y / perMetre])

type Boxed = { readonly low: Vec2; readonly high: Vec2 }
function boxOf(points: readonly Vec2[]): Boxed {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  return { low: [Math.min(...xs), Math.min(...ys)], high: [Math.max(...xs), Math.max(...ys)] }
}
const apart = (a: Boxed, b: Boxed) =>
  a.low[0] > b.high[0] || b.low[0] > a.high[0] || a.low[1] > b.high[1] || b.low[1] > a.high[1]

/** z over a point of the plan as a linear function: at the origin, and per metre east and north. */
const formOf = (plane: RoofPlane): Vec3 => [
  planeHeightM(plane, [0, 0]),
  -plane.normal[0] / plane.normal[2],
  -plane.normal[1] / plane.normal[2],
]

function flattened(plane: RoofPlane) {
  const plan = planOf(plane.corners)
  const paths = [plan, ...(plane.holes ?? []).map(planOf)].map(toPath)
  return { plane, paths, box: boxOf(plan), form: formOf(plane) }
}

/**
 * The parts of several roofs that are seen from above, as one roof: each plane less what of the other volumes' planes is
 * higher. Where planes of two volumes lie in one, the earlier volume keeps what both have.
 * @returns planes volume by volume; a plane that falls apart comes as several, told apart behind their ids
 */
export function mergeRoofs(roofs: readonly Pick<Roof, 'planes'>[]): MergedPlane[] {
  const faces = roofs.flatMap(({ planes }, volume) =>
    planes.map((plane) => ({ volume, ...flattened(plane) })),
  )
  const cut = faces.flatMap((face): CutFace[] => {
    const over = faces.flatMap((other) =>
      other.volume === face.volume || apart(face.box, other.box)
        ? []
        : higherPart(other, face, other.volume < face.volume ? -tieM : tieM),
    )
    const left =
      over.length === 0
        ? face.paths
        : Clipper.difference(face.paths, Clipper.union(over, FillRule.NonZero), FillRule.NonZero)
    return pieces(left).map((rings, k) => ({
      plane: face.plane,
      volume: face.volume,
      id: k === 0 ? face.plane.id : `${face.plane.id}-${k}`,
      rings: rings.map(toPoints),
    }))
  })
  return labelled(cut).map((face): MergedPlane => {
    const { plane, volume, id, rings } = face
    const { edges, edgeStarts } = fromFirst(face, plane)
    const onPlane = ([x, y]: Vec2): Vec3 => [x, y, planeHeightM(plane, [x, y])]
    const planM2 = rings.reduce((sum, ring) => sum + signedArea(ring), 0)
    const { holes: _holes, ...rest } = plane
    const holes = rings.slice(1).map((ring) => ring.map(onPlane))
    return {
      ...rest,
      id,
      volume,
      corners: edgeStarts.map(onPlane),
      edges,
      ...(holes.length > 0 ? { holes } : {}),
      areaM2: planM2 / plane.normal[2],
    }
  })
}

/** Edges in the order they had, from the corner nearest to the one that was the first. */
function fromFirst(
  { edges, edgeStarts }: { readonly edges: readonly MergedEdge[]; readonly edgeStarts: readonly Vec2[] },
  { corners: [first = [0, 0, 0]] }: RoofPlane,
) {
  const away = edgeStarts.map(([x, y]) => Math.hypot(x - first[0], y - first[1]))
  const at = away.indexOf(Math.min(...away))
  const turned = <T>(list: readonly T[]) => [...list.slice(at), ...list.slice(0, at)]
  return { edges: turned(edges), edgeStarts: turned(edgeStarts) }
}

/** The part of a face over which it stands above another by more than `marginM`. */
function higherPart(
  face: { readonly paths: Paths64; readonly form: Vec3; readonly box: Boxed },
  other: { readonly form: Vec3; readonly box: Boxed },
  marginM: number,
): Paths64 {
  const [c, gx, gy] = [0, 1, 2].map((k) => (face.form[k] ?? 0) - (other.form[k] ?? 0)) as unknown as Vec3
  const { low, high } = face.box
  const corners: Vec2[] = [
    [low[0] - 1, low[1] - 1],
    [high[0] + 1, low[1] - 1],
    [high[0] + 1, high[1] + 1],
    [low[0] - 1, high[1] + 1],
  ]
  const above = ([x, y]: Vec2) => c + gx * x + gy * y
  const steep = Math.hypot(gx, gy)
  // Planes of one slope part nowhere; others at the line where they meet, without a margin.
  const isOne = steep < 1e-9
  if (isOne) return above(low) > marginM ? face.paths : []
  const values = corners.map(above)
  if (values.every((value) => value > 0)) return face.paths
  if (values.every((value) => value <= 0)) return []
  const half: Vec2[] = []
  corners.forEach((a, i) => {
    const b = corners[(i + 1) % 4] ?? a
    const [va, vb] = [values[i] ?? 0, values[(i + 1) % 4] ?? 0]
    if (va > 0) half.push(a)
    if (va > 0 !== vb > 0)
      half.push([a[0] + ((b[0] - a[0]) * va) / (va - vb), a[1] + ((b[1] - a[1]) * va) / (va - vb)])
  })
  return Clipper.intersect(face.paths, [toPath(half)], FillRule.NonZero)
}

/** Outer rings with the holes in them; slivers are left out. */
function pieces(paths: Paths64): Paths64[] {
  const clean = paths
    .map((path) => withoutTwins(path))
    .filter((path) => Math.abs(Clipper.area(path)) > leastPlanM2 * perMetre ** 2)
  const outer = clean.filter((path) => Clipper.area(path) > 0)
  const holes = clean.filter((path) => Clipper.area(path) < 0)
  return outer.map((path) => [
    path,
    ...holes.filter((hole) => {
      const [first] = hole
      return first !== undefined && containsPoint(toPoints(path), [first.x / perMetre, first.y / perMetre])
    }),
  ])
}

/** Corners nearer than rounding reaches are one. */
const withoutTwins = (path: Path64): Path64 =>
  path.filter((point, i) => {
    const before = path[(i + path.length - 1) % path.length] ?? point
    return Math.hypot(point.x - before.x, point.y - before.y) > nearCorner
  })
