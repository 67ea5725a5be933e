import earcut from 'earcut'
import { dot3, newell, type Vec3 } from './vector'

/**
 * A flat polygon in space, with openings in it, as triangles with its own turn. It is cut as it is seen along the axis in
 * which it is widest.
 */
export function facets(
  corners: readonly Vec3[],
  holes: readonly (readonly Vec3[])[] = [],
): [Vec3, Vec3, Vec3][] {
  const normal = newell(corners)
  const [x, y, z] = normal.map(Math.abs) as [number, number, number]
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
    // The cutter turns every polygon the same way round.
    if (a && b && c) triangles.push(dot3(newell([a, b, c]), normal) < 0 ? [a, c, b] : [a, b, c])
  }
  return triangles
}
