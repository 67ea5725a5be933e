import { containsPoint, nearestOnSegment } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { labelPoint } from './label-point'
import { planOf } from './plane'
import { buildRoof } from './roof'

const level = (ring: readonly Vec2[]): Vec3[] => ring.map(([x, y]) => [x, y, 2])
const normal: Vec3 = [0, 0, 1]
const square = (x: number, y: number, side: number): Vec2[] => [
  [x, y],
  [x + side, y],
  [x + side, y + side],
  [x, y + side],
]

test('in a square it is the middle; beside an opening it moves over', () => {
  expect(labelPoint({ corners: level(square(0, 0, 10)), normal })).toEqual([5, 5, 2])
  const [x, y] = labelPoint({
    corners: level(square(0, 0, 10)),
    holes: [level(square(2, 2, 6)).reverse()],
    normal,
  })
  expect(Math.min(x, 10 - x, y, 10 - y)).toBeLessThan(2)
})

test('it lies in its plane, about as far from the edges as any point of a fine grid', () => {
  const random = seededRandom(5)
  for (let round = 0; round < 60; round++) {
    const sides = 5 + Math.floor(4 * random())
    const outline = Array.from({ length: sides }, (_, i): Vec2 => {
      const angle = ((i + 0.7 * random()) / sides) * 2 * Math.PI
      const out = 3 + 6 * random()
      return [out * Math.cos(angle), out * Math.sin(angle)]
    })
    for (const plane of buildRoof({ outline, edges: outline.map(() => ({ pitchDeg: 30 })), eaveHeightM: 3 })
      .planes) {
      const ring = planOf(plane.corners)
      const freeM = (p: Vec2) =>
        containsPoint(ring, p)
          ? Math.min(
              ...ring.map((a, i) => nearestOnSegment(a, ring[(i + 1) % ring.length] ?? a, p).distanceM),
            )
          : -1
      let most = 0
      const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)]
      for (let i = 0; i <= 60; i++)
        for (let j = 0; j <= 60; j++) {
          const at = (values: number[], k: number) =>
            Math.min(...values) + ((Math.max(...values) - Math.min(...values)) * k) / 60
          most = Math.max(most, freeM([at(xs, i), at(ys, j)]))
        }
      const [x, y, z] = labelPoint(plane)
      expect(freeM([x, y])).toBeGreaterThan(0.85 * most - 0.05)
      const [corner = [0, 0, 0]] = plane.corners
      const off = plane.normal.reduce((sum, n, k) => sum + n * (([x, y, z][k] ?? 0) - (corner[k] ?? 0)), 0)
      expect(Math.abs(off)).toBeLessThan(1e-9)
    }
  }
})
