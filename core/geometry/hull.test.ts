import fc from 'fast-check'
import { convexHull } from './hull'
import { isConvex, signedArea } from './polygon'
import { cross2, sub2, type Vec2 } from './vector'

test('a square with points on its sides and inside is its four corners', () => {
  const points: Vec2[] = [
    [0, 0],
    [2, 0],
    [1, 0],
    [2, 2],
    [1, 1],
    [0, 2],
    [0, 1],
    [2, 2],
  ]
  expect(convexHull(points)).toEqual([
    [0, 0],
    [2, 0],
    [2, 2],
    [0, 2],
  ])
  expect(
    convexHull([
      [0, 0],
      [1, 1],
      [2, 2],
    ]).length,
  ).toBeLessThan(3)
})

test('every point lies inside, and every corner is one of the points', () => {
  const grid = fc.tuple(fc.integer({ min: -9, max: 9 }), fc.integer({ min: -9, max: 9 }))
  fc.assert(
    fc.property(fc.array(grid, { minLength: 3, maxLength: 40 }), (points) => {
      const hull = convexHull(points)
      if (hull.length < 3) return
      expect(isConvex(hull)).toBe(true)
      expect(signedArea(hull)).toBeGreaterThan(0)
      const outside = points.filter((p) =>
        hull.some((a, i) => cross2(sub2(hull[(i + 1) % hull.length] ?? a, a), sub2(p, a)) < 0),
      )
      expect(outside).toEqual([])
      expect(hull.every(([x, y]) => points.some((p) => p[0] === x && p[1] === y))).toBe(true)
    }),
    { seed: 17, numRuns: 2000 },
  )
})
