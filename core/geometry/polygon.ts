import earcut from 'earcut'
import { cross2, distance2, dot2, sub2, type Vec2 } from './vector'

/** Twice-summed shoelace: positive when counter-clockwise. Square metres. */
export function signedArea(polygon: readonly Vec2[]): number {
  let sum = 0
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length] ?? a
    sum += a[0] * b[1] - b[0] * a[1]
  })
  return sum / 2
}

/** Middle of the area; the mean of the corners for a polygon without area. */
export function centroid(polygon: readonly Vec2[]): Vec2 {
  const area = signedArea(polygon)
  const origin = polygon[0] ?? [0, 0]
  if (Math.abs(area) < 1e-12) {
    const n = Math.max(1, polygon.length)
    return [polygon.reduce((s, p) => s + p[0], 0) / n, polygon.reduce((s, p) => s + p[1], 0) / n]
  }
  let x = 0
  let y = 0
  polygon.forEach((p, i) => {
    const a = sub2(p, origin)
    const b = sub2(polygon[(i + 1) % polygon.length] ?? p, origin)
    const k = cross2(a, b)
    x += (a[0] + b[0]) * k
    y += (a[1] + b[1]) * k
  })
  return [origin[0] + x / (6 * area), origin[1] + y / (6 * area)]
}

/** Even-odd test; points on the border may fall to either side. */
export function containsPoint(polygon: readonly Vec2[], p: Vec2): boolean {
  let inside = false
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const a = polygon[i]
    const b = polygon[j]
    if (!a || !b) continue
    if (a[1] > p[1] !== b[1] > p[1] && p[0] < ((b[0] - a[0]) * (p[1] - a[1])) / (b[1] - a[1]) + a[0])
      inside = !inside
  }
  return inside
}

/** Nearest point of a segment to p, and how far along it lies (0..1). */
export function nearestOnSegment(
  a: Vec2,
  b: Vec2,
  p: Vec2,
): { point: Vec2; along: number; distanceM: number } {
  const ab = sub2(b, a)
  const squared = dot2(ab, ab)
  const along = squared === 0 ? 0 : Math.min(1, Math.max(0, dot2(sub2(p, a), ab) / squared))
  const point: Vec2 = [a[0] + ab[0] * along, a[1] + ab[1] * along]
  return { point, along, distanceM: distance2(point, p) }
}

const orient = (a: Vec2, b: Vec2, c: Vec2) => Math.sign(cross2(sub2(b, a), sub2(c, a)))

/** Whether two segments share a point. */
export function segmentsMeet(a: Vec2, b: Vec2, c: Vec2, d: Vec2): boolean {
  const o1 = orient(a, b, c)
  const o2 = orient(a, b, d)
  const o3 = orient(c, d, a)
  const o4 = orient(c, d, b)
  if (o1 !== o2 && o3 !== o4) return true
  const within = (p: Vec2, q: Vec2, r: Vec2) =>
    Math.min(p[0], q[0]) <= r[0] &&
    r[0] <= Math.max(p[0], q[0]) &&
    Math.min(p[1], q[1]) <= r[1] &&
    r[1] <= Math.max(p[1], q[1])
  return (
    (o1 === 0 && within(a, b, c)) ||
    (o2 === 0 && within(a, b, d)) ||
    (o3 === 0 && within(c, d, a)) ||
    (o4 === 0 && within(c, d, b))
  )
}

/** The first pair of edges of a closed polygon that cross or touch although they are not neighbours. */
export function selfCrossing(polygon: readonly Vec2[]): readonly [number, number] | null {
  const n = polygon.length
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue
      const [a, b, c, d] = [polygon[i], polygon[(i + 1) % n], polygon[j], polygon[(j + 1) % n]]
      if (a && b && c && d && segmentsMeet(a, b, c, d)) return [i, j]
    }
  return null
}

/** Triangles as triples of corner indices (ear clipping by the earcut library). */
export function triangulate(polygon: readonly Vec2[]): [number, number, number][] {
  const flat = polygon.flatMap((p) => [p[0], p[1]])
  const indices = earcut(flat)
  const triangles: [number, number, number][] = []
  for (let i = 0; i + 2 < indices.length; i += 3)
    triangles.push([indices[i] ?? 0, indices[i + 1] ?? 0, indices[i + 2] ?? 0])
  return triangles
}

/** Convex: every turn to the left, straight ones within 1e-9 allowed. Counter-clockwise polygons only. */
export function isConvex(polygon: readonly Vec2[]): boolean {
  const n = polygon.length
  return polygon.every((b, i) => {
    const a = polygon[(i + n - 1) % n]
    const c = polygon[(i + 1) % n]
    return !a || !c || cross2(sub2(b, a), sub2(c, b)) > -1e-9
  })
}

/** A rectangle around a middle, turned counter-clockwise from east; counter-clockwise corners. */
export function turnedRectangle(center: Vec2, widthM: number, depthM: number, rotationDeg: number): Vec2[] {
  const angle = (rotationDeg * Math.PI) / 180
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  return (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).map(([sx, sy]) => {
    const x = (sx * widthM) / 2
    const y = (sy * depthM) / 2
    return [center[0] + x * c - y * s, center[1] + x * s + y * c]
  })
}
