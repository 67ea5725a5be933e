import { facets } from './facets'
import { dot3, length3, newell, scale3, add3, type Vec3 } from './vector'

const areaOf = (triangles: readonly (readonly Vec3[])[]) =>
  triangles.reduce((sum, triangle) => sum + length3(newell(triangle)) / 2, 0)
/** A square of side 2 `sideM` around the origin of a plane through two directions. */
const square = (sideM: number, u: Vec3, v: Vec3): Vec3[] =>
  (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).map(([a, b]) => add3(scale3(u, a * sideM), scale3(v, b * sideM)))

test.each<[string, Vec3, Vec3]>([
  ['level', [1, 0, 0], [0, 1, 0]],
  ['sloping', [1, 0, 0], [0, Math.SQRT1_2, Math.SQRT1_2]],
  ['upright, looking south', [1, 0, 0], [0, 0, 1]],
  ['upright, looking east', [0, 1, 0], [0, 0, 1]],
  ['level, looking down', [0, 1, 0], [1, 0, 0]],
  ['upright, looking north', [0, 0, 1], [1, 0, 0]],
  ['upright, looking west', [0, 0, 1], [0, 1, 0]],
])('a %s square with an opening is covered once, with its own turn', (_how, u, v) => {
  const outer = square(3, u, v)
  const hole = square(1, u, v).reverse()
  expect(areaOf(facets(outer))).toBeCloseTo(36, 12)
  const triangles = facets(outer, [hole])
  expect(areaOf(triangles)).toBeCloseTo(32, 12)
  for (const triangle of triangles) expect(dot3(newell(triangle), newell(outer))).toBeGreaterThan(0)
})
