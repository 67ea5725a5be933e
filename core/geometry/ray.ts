import { add3, cross3, dot3, scale3, sub3, type Vec2, type Vec3 } from './vector'
import { containsPoint } from './polygon'

/** A ray of sight; the direction need not be of length one. */
export interface Ray {
  readonly origin: Vec3
  readonly direction: Vec3
}

export const along = (ray: Ray, t: number): Vec3 => add3(ray.origin, scale3(ray.direction, t))

/** How far along a ray it passes a point most closely. */
export function rayPoint({ origin, direction }: Ray, p: Vec3): number {
  return dot3(sub3(p, origin), direction) / dot3(direction, direction)
}

/** How far along a ray it meets a flat polygon in space; null when it misses. */
export function rayPolygon(ray: Ray, corners: readonly Vec3[]): number | null {
  const [a, b, c] = corners
  if (!a || !b || !c) return null
  let normal = cross3(sub3(b, a), sub3(c, a))
  for (let i = 3; i < corners.length && Math.hypot(...normal) < 1e-9; i++)
    normal = cross3(sub3(b, a), sub3(corners[i] ?? c, a))
  const slope = dot3(normal, ray.direction)
  if (Math.abs(slope) < 1e-12) return null
  const t = dot3(normal, sub3(a, ray.origin)) / slope
  if (t <= 0) return null
  // Seen along the axis in which the polygon is widest.
  const [x, y, z] = normal.map(Math.abs) as [number, number, number]
  const flat = (p: Vec3): Vec2 => (z >= x && z >= y ? [p[0], p[1]] : y >= x ? [p[0], p[2]] : [p[1], p[2]])
  return containsPoint(corners.map(flat), flat(along(ray, t))) ? t : null
}

/** Where a ray meets the level at a height; null when it runs beside or away from it. */
export function rayLevel(ray: Ray, heightM: number): Vec3 | null {
  if (Math.abs(ray.direction[2]) < 1e-9) return null
  const t = (heightM - ray.origin[2]) / ray.direction[2]
  return t > 0 ? along(ray, t) : null
}

/** Where a ray meets the plane through a point; null when it runs beside or away from it. */
export function rayPlane(ray: Ray, through: Vec3, normal: Vec3): Vec3 | null {
  const slope = dot3(normal, ray.direction)
  if (Math.abs(slope) < 1e-9) return null
  const t = dot3(normal, sub3(through, ray.origin)) / slope
  return t > 0 ? along(ray, t) : null
}

/** How far along a ray it meets an upright ellipsoid; null when it misses. */
export function rayEllipsoid(ray: Ray, center: Vec3, radiusM: number, halfHeightM: number): number | null {
  const squeeze = (v: Vec3): Vec3 => [v[0] / radiusM, v[1] / radiusM, v[2] / halfHeightM]
  const o = squeeze(sub3(ray.origin, center))
  const d = squeeze(ray.direction)
  const a = dot3(d, d)
  const b = dot3(o, d)
  const c = dot3(o, o) - 1
  const inside = b * b - a * c
  if (inside < 0) return null
  const t = (-b - Math.sqrt(inside)) / a
  return t > 0 ? t : null
}

/** The height on an upright line through a point of the plan that lies nearest to a ray. */
export function heightUnderRay(ray: Ray, [x, y]: Vec2): number {
  const d = ray.direction
  const w: Vec3 = [ray.origin[0] - x, ray.origin[1] - y, ray.origin[2]]
  const a = dot3(d, d)
  const denominator = a - d[2] * d[2]
  // Straight down: every height is as near; the ground will do.
  if (denominator < 1e-12) return 0
  const t = (d[2] * w[2] - dot3(d, w)) / denominator
  return ray.origin[2] + t * d[2]
}
