import { type Body, type CrownBody, type SolidBody } from '../geometry/body'
import { type Vec3 } from '../geometry/vector'
import { toDegrees, toRadians } from '../model/units'

/** What a body hides of one upright half-plane: elevations in degrees, within -90 to 90. */
export type Span = readonly [low: number, high: number]

/** A body against the sky, seen from a point: one span or none at each azimuth `i * stepDeg`, from north by east. */
export interface Silhouette {
  readonly stepDeg: number
  readonly spans: readonly (Span | null)[]
}

/** Closer than this to the upright through the point, m, a corner stands above or below it. */
const onAxisM = 1e-9

/** Where a body stands against the sky. */
export function silhouetteOf(from: Vec3, body: Body, stepDeg: number): Silhouette {
  const count = Math.round(360 / stepDeg)
  const slice = body.kind === 'solid' ? solidSlice(from, body) : crownSlice(from, body)
  const { towards, halfWidth } = widthOf(from, body)
  const spans = new Array<Span | null>(count).fill(null)
  for (let i = 0; i < count; i++) {
    const azimuth = toRadians(i * stepDeg)
    if (halfWidth < Math.PI && turn(azimuth, towards) > halfWidth) continue
    spans[i] = slice(Math.sin(azimuth), Math.cos(azimuth))
  }
  return { stepDeg, spans }
}

/** Between which azimuths the ball around a body stands: all round where the upright through the point meets it. */
function widthOf(
  [px, py]: Vec3,
  { center, radiusM }: Body,
): { readonly towards: number; readonly halfWidth: number } {
  const [x, y] = [center[0] - px, center[1] - py]
  const distance = Math.hypot(x, y)
  return {
    towards: Math.atan2(x, y),
    halfWidth: distance > radiusM ? Math.asin(radiusM / distance) + 1e-9 : Math.PI,
  }
}

/** How far two azimuths lie apart, 0 to pi. */
const turn = (a: number, b: number): number => {
  const apart = Math.abs(a - b) % (2 * Math.PI)
  return Math.min(apart, 2 * Math.PI - apart)
}

/** What one upright half-plane cuts from a body; `(ux, uy)` is its level direction. */
type Slice = (ux: number, uy: number) => Span | null

/**
 * The half-plane cuts a polygon from a convex solid; its corners lie where the edges meet the half-plane and where the
 * upright through the point enters and leaves, and the lowest and the highest sight go through corners.
 */
function solidSlice([px, py, pz]: Vec3, body: SolidBody): Slice {
  const corners = body.vertices.map(([x, y, z]): Vec3 => [x - px, y - py, z - pz])
  const axis = alongAxis(body, px, py, pz)
  return (ux, uy) => {
    let [low, high] = axis ?? [Infinity, -Infinity]
    const see = (r: number, z: number) => {
      const elevation = toDegrees(Math.atan2(z, r))
      low = Math.min(low, elevation)
      high = Math.max(high, elevation)
    }
    for (let e = 0; e < body.edges.length; e += 4) {
      const [a, b] = [corners[body.edges[e] as number], corners[body.edges[e + 1] as number]]
      if (!a || !b) continue
      // How far each end lies to the left of the half-plane.
      const [sideA, sideB] = [uy * a[0] - ux * a[1], uy * b[0] - ux * b[1]]
      if (sideA * sideB > 0) continue
      if (sideA === sideB) {
        for (const end of [a, b]) {
          const r = ux * end[0] + uy * end[1]
          if (r > onAxisM) see(r, end[2])
        }
        continue
      }
      const t = sideA / (sideA - sideB)
      const r = ux * (a[0] + t * (b[0] - a[0])) + uy * (a[1] + t * (b[1] - a[1]))
      if (r > onAxisM) see(r, a[2] + t * (b[2] - a[2]))
    }
    return low <= high ? [low, high] : null
  }
}

/** What of the upright through the point lies in a solid, as elevations: straight down, straight up, or both. */
function alongAxis({ faces }: SolidBody, px: number, py: number, pz: number): Span | null {
  let [from, to] = [-Infinity, Infinity]
  for (let f = 0; f < faces.length; f += 4) {
    const up = faces[f + 2] as number
    const room =
      (faces[f + 3] as number) - (faces[f] as number) * px - (faces[f + 1] as number) * py - up * pz
    if (Math.abs(up) < 1e-12) {
      if (room < 0) return null
    } else if (up > 0) to = Math.min(to, room / up)
    else from = Math.max(from, room / up)
  }
  if (from >= to) return null
  return [from < 0 ? -90 : 90, to > 0 ? 90 : -90]
}

/** The half-plane cuts an ellipse; stretched to a circle, its tangents from the point are known. */
function crownSlice([px, py, pz]: Vec3, { center, crownRadiusM, halfHeightM }: CrownBody): Slice {
  const [cx, cy, cz] = [center[0] - px, center[1] - py, center[2] - pz]
  return (ux, uy) => {
    const aside = (uy * cx - ux * cy) / crownRadiusM
    if (Math.abs(aside) >= 1) return null
    const shrink = Math.sqrt(1 - aside * aside)
    const radius = crownRadiusM * shrink
    const stretch = crownRadiusM / halfHeightM
    const [r, z] = [ux * cx + uy * cy, cz * stretch]
    const distance = Math.hypot(r, z)
    if (distance <= radius) return [-90, 90]
    const middle = Math.atan2(z, r)
    const half = Math.asin(radius / distance)
    // What lies behind the upright through the point belongs to the half-plane on the other side.
    const [low, high] = [Math.max(-Math.PI / 2, middle - half), Math.min(Math.PI / 2, middle + half)]
    if (low >= high) return null
    const back = (angle: number) => toDegrees(Math.atan2(Math.sin(angle) / stretch, Math.cos(angle)))
    return [back(low), back(high)]
  }
}

/**
 * The parts of a silhouette above the horizon as closed outlines of azimuth and elevation, degrees; one that crosses
 * north comes in two.
 */
export function outlinesOf({ stepDeg, spans }: Silhouette): readonly (readonly [number, number])[][] {
  const outlines: [number, number][][] = []
  let top: [number, number][] = []
  let foot: [number, number][] = []
  const end = () => {
    if (top.length > 0) outlines.push([...top, ...foot.reverse()])
    ;[top, foot] = [[], []]
  }
  // Each span stands for half a step on either side, so that a thin pole has a width.
  for (const [i, span] of [...spans, spans[0] ?? null].entries()) {
    if (!span || span[1] <= 0) {
      end()
      continue
    }
    const azimuth = i * stepDeg
    const [from, to] = [Math.max(0, azimuth - stepDeg / 2), Math.min(360, azimuth + stepDeg / 2)]
    if (top.length === 0) {
      top.push([from, span[1]])
      foot.push([from, Math.max(0, span[0])])
    } else {
      top.push([azimuth, span[1]])
      foot.push([azimuth, Math.max(0, span[0])])
    }
    const next = spans[(i + 1) % spans.length]
    if (i === spans.length || !next || next[1] <= 0) {
      top.push([to, span[1]])
      foot.push([to, Math.max(0, span[0])])
    }
  }
  end()
  return outlines
}
