import { containsPoint, selfCrossing, signedArea } from './polygon'
import { seededRandom } from '../model/random'
import { stripOf } from './strip'
import { type Vec2 } from './vector'

const square: Vec2[] = [
  [0, 0],
  [10, 0],
  [10, 6],
  [0, 6],
]

test('of a rectangle it is a rectangle, cut at its ends', () => {
  expect(signedArea(stripOf([square], [3, 4], 2))).toBeCloseTo(6, 9)
  expect(signedArea(stripOf([square], [9.5, 12], 2))).toBeCloseTo(3, 9)
  expect(stripOf([square], [11, 12], 2)).toEqual([])
})

test('a valley bounds it from below, a hole above what it goes through', () => {
  const valley: Vec2[] = [
    [0, 0],
    [2, 0],
    [5, 3],
    [8, 0],
    [10, 0],
    [10, 6],
    [0, 6],
  ]
  // Over the tip of the valley: half a metre to either side of it, 3 m high, and two triangles.
  expect(signedArea(stripOf([valley], [4.5, 5.5], 5))).toBeCloseTo(3 + 2 * 0.125, 9)
  const hole: Vec2[] = [
    [4, 4],
    [4, 5],
    [6, 5],
    [6, 4],
  ]
  expect(signedArea(stripOf([square, hole], [4.5, 5.5], 2))).toBeCloseTo(4, 9)
  expect(signedArea(stripOf([square, hole], [4.5, 5.5], 5.5))).toBeCloseTo(1, 9)
})

test('of random convex areas it is exactly the points between the two lines', () => {
  const random = seededRandom(23)
  for (let round = 0; round < 500; round++) {
    const corners = 3 + Math.floor(random() * 6)
    const ring = Array.from({ length: corners }, (_, k): Vec2 => {
      const a = ((k + random() * 0.8) / corners) * 2 * Math.PI
      return [5 * Math.cos(a), 4 * Math.sin(a)]
    })
    const from = -4 + random() * 6
    const to = from + 0.3 + random() * 2
    const strip = stripOf([ring], [from, to], 0)
    if (strip.length === 0) continue
    expect(selfCrossing(strip)).toBeNull()
    for (let k = 0; k < 40; k++) {
      const p: Vec2 = [-5 + random() * 10, -4 + random() * 8]
      if (Math.abs(p[0] - from) < 1e-6 || Math.abs(p[0] - to) < 1e-6) continue
      expect(containsPoint(strip, p)).toBe(containsPoint(ring, p) && p[0] > from && p[0] < to)
    }
  }
})
