import earcut from 'earcut'
import { newell, type Vec3 } from './vector'

/**
 * A flat polygon in space, with openings in it, as triangles with its own turn. It is cut as it is seen along the axis in
 * which it is widest.
 */
export function facets(
  corners: readonly Vec3[],
  holes: readonly (readonly Vec3[])[] = [],
): [Vec3, Vec3, Vec3][] {
  const [x, y, z] = newell(corners).map(Math.abs) as [number, number, number]
  const [i, j] = z >= x && z >= y ? ([0, 1] as const) : y >= x ? ([0, 2] as const) : ([1, 2] as const)
  const points = [corners, ...holes].flat()
  let before = corners.length
  const starts = holes.map((hole) => {
    const start = before
    before += hole.length
    return start
  })
  const indices = earcut(
    points.flatMap((p) => [p[i], p[j]]),
    starts,
  )
  const triangles: [Vec3, Vec3, Vec3][] = []
  for (let k = 0; k + 2 < indices.length; k += 3) {
    const [a, b, c] = [0, 1, 2].map((n) => points[indices[k + n] ?? 0])
    if (a && b && c) triangles.push([a, b, c])
  }
  return triangles
}
