import { isConvex, triangulate } from './polygon'
import { newell, type Vec2, type Vec3 } from './vector'

/** A convex solid that stops light: the points p with n . p <= c for every face. */
export interface SolidBody {
  readonly kind: 'solid'
  /** [nx, ny, nz, c] for each face, unit normals outward. */
  readonly faces: Float64Array
  readonly vertices: readonly Vec3[]
  /** Two vertices and the two faces that meet there, for each edge. */
  readonly edges: Int32Array
  readonly center: Vec3
  readonly radiusM: number
}

/** A crown that lets a share of the light through: an ellipsoid. */
export interface CrownBody {
  readonly kind: 'crown'
  readonly center: Vec3
  readonly crownRadiusM: number
  readonly halfHeightM: number
  /** Share of the beam that passes, for January to December. */
  readonly transmissivity: readonly number[]
  readonly radiusM: number
}

export type Body = SolidBody | CrownBody

/**
 * Upright columns under a slanted lid: the lid's corners in space, convex pieces cut from its plan.
 * @param lid counter-clockwise seen from above, in one plane that is not upright
 */
export function columnsUnder(lid: readonly Vec3[], bottomM: number): SolidBody[] {
  const plan = lid.map((c): Vec2 => [c[0], c[1]])
  const pieces = isConvex(plan) ? [lid.map((_, i) => i)] : triangulate(plan).map((t) => [...t])
  return pieces.flatMap((indices) => {
    const corners = indices.map((i) => lid[i]).filter((c): c is Vec3 => c !== undefined)
    return column(turnCounterClockwise(corners), bottomM) ?? []
  })
}

function turnCounterClockwise(corners: Vec3[]): Vec3[] {
  let area = 0
  corners.forEach((a, i) => {
    const b = corners[(i + 1) % corners.length] ?? a
    area += a[0] * b[1] - b[0] * a[1]
  })
  return area < 0 ? corners.reverse() : corners
}

/** A column under a convex lid; null for a lid without area. */
const column = (lid: readonly Vec3[], bottomM: number): SolidBody | null =>
  prism(
    lid,
    lid.map(([x, y]): Vec3 => [x, y, bottomM]),
  )

/**
 * A board of even thickness, measured upright, under a convex lid; null for a lid without area.
 * @param lid counter-clockwise seen from above, in one plane that is not upright
 */
export const slabUnder = (lid: readonly Vec3[], thickM: number): SolidBody | null =>
  prism(
    lid,
    lid.map(([x, y, z]): Vec3 => [x, y, z - thickM]),
  )

/** What lies between a convex lid and a floor right below it, corner under corner. */
function prism(wholeLid: readonly Vec3[], wholeFloor: readonly Vec3[]): SolidBody | null {
  // Corners that fall together in plan are one.
  const isOwn = (_: Vec3, i: number) => {
    const [a, b] = [wholeLid[i], wholeLid[(i + 1) % wholeLid.length]]
    return a && b ? Math.hypot(b[0] - a[0], b[1] - a[1]) > 1e-9 : false
  }
  const [lid, floor] = [wholeLid.filter(isOwn), wholeFloor.filter(isOwn)]
  if (lid.length < 3) return null
  const [top, bottom] = [newell(lid), newell(floor)]
  const length = Math.hypot(...top)
  if (length < 1e-9 || top[2] / length < 1e-6) return null
  const faces: number[] = []
  const push = (n: Vec3, through: Vec3 = [0, 0, 0]) =>
    faces.push(...n, n[0] * through[0] + n[1] * through[1] + n[2] * through[2])
  const down = -Math.hypot(...bottom)
  push([top[0] / length, top[1] / length, top[2] / length], lid[0])
  push([bottom[0] / down, bottom[1] / down, bottom[2] / down], floor[0])
  lid.forEach((a, i) => {
    const b = lid[(i + 1) % lid.length] ?? a
    const side = Math.hypot(b[0] - a[0], b[1] - a[1])
    push([(b[1] - a[1]) / side, -(b[0] - a[0]) / side, 0], a)
  })
  const vertices = [...lid, ...floor]
  const count = lid.length
  const edges = lid.flatMap((_, i) => {
    const next = (i + 1) % count
    const [own, before] = [2 + i, 2 + ((i + count - 1) % count)]
    return [...[i, next, 0, own], ...[count + i, count + next, 1, own], ...[i, count + i, own, before]]
  })
  const center: Vec3 = [mean(vertices, 0), mean(vertices, 1), mean(vertices, 2)]
  const radiusM = Math.max(
    ...vertices.map((v) => Math.hypot(v[0] - center[0], v[1] - center[1], v[2] - center[2])),
  )
  return {
    kind: 'solid',
    faces: Float64Array.from(faces),
    vertices,
    edges: Int32Array.from(edges),
    center,
    radiusM,
  }
}

/** Half the thickness that a triangle is given, m. */
const sheetM = 5e-6

/** A triangle as a body: what meets it from either side is stopped; null for one without area. */
export function sheetOf(corners: readonly [Vec3, Vec3, Vec3]): SolidBody | null {
  const normal = newell(corners)
  const length = Math.hypot(...normal)
  if (length < 1e-12) return null
  const n: Vec3 = [normal[0] / length, normal[1] / length, normal[2] / length]
  const along = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
  const level = along(n, corners[0])
  const faces: number[] = [...n, level + sheetM, -n[0], -n[1], -n[2], sheetM - level]
  corners.forEach((a, i) => {
    const b = corners[(i + 1) % 3] ?? a
    const side: Vec3 = [b[0] - a[0], b[1] - a[1], b[2] - a[2]]
    const out: Vec3 = [
      side[1] * n[2] - side[2] * n[1],
      side[2] * n[0] - side[0] * n[2],
      side[0] * n[1] - side[1] * n[0],
    ]
    const size = Math.hypot(...out)
    const unit: Vec3 = [out[0] / size, out[1] / size, out[2] / size]
    faces.push(...unit, along(unit, a))
  })
  const center: Vec3 = [mean(corners, 0), mean(corners, 1), mean(corners, 2)]
  const radiusM = Math.max(
    ...corners.map((v) => Math.hypot(v[0] - center[0], v[1] - center[1], v[2] - center[2])),
  )
  return {
    kind: 'solid',
    faces: Float64Array.from(faces),
    vertices: corners,
    // Each between the two sides of the sheet.
    edges: Int32Array.of(...[0, 1, 0, 1], ...[1, 2, 0, 1], ...[2, 0, 0, 1]),
    center,
    radiusM,
  }
}

const mean = (points: readonly Vec3[], axis: 0 | 1 | 2) =>
  points.reduce((s, p) => s + p[axis], 0) / points.length

/** Whether the ray passes through the crown. */
export function crownMeets(
  body: CrownBody,
  px: number,
  py: number,
  pz: number,
  dx: number,
  dy: number,
  dz: number,
): boolean {
  const r = 1 / body.crownRadiusM
  const h = 1 / body.halfHeightM
  const ox = (px - body.center[0]) * r
  const oy = (py - body.center[1]) * r
  const oz = (pz - body.center[2]) * h
  const ux = dx * r
  const uy = dy * r
  const uz = dz * h
  const a = ux * ux + uy * uy + uz * uz
  const b = ox * ux + oy * uy + oz * uz
  const c = ox * ox + oy * oy + oz * oz - 1
  return c <= 0 || (b < 0 && b * b >= a * c)
}
