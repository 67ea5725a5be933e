import fc from 'fast-check'
import { hatchOf } from './hatch'
import { type Vec2 } from './vector'

const square: Vec2[] = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10],
]

test('the lines of a square, by hand: seven metres apart there are two beside the middle, and both ends on its border', () => {
  const pieces = hatchOf([square], 7)
  // Across, the square goes from 0 to 14.142: lines at 7 and 14.
  expect(pieces).toHaveLength(2)
  const [
    [a, b] = [
      [0, 0],
      [0, 0],
    ],
  ] = pieces
  expect([a[0] + a[1], b[0] + b[1]].map((s) => s * Math.SQRT1_2)).toEqual([
    expect.closeTo(7, 9),
    expect.closeTo(7, 9),
  ])
  expect(Math.hypot(b[0] - a[0], b[1] - a[1])).toBeCloseTo(2 * 7, 9)
})

test('what is cut out of an area stays free of lines', () => {
  const hole: Vec2[] = [
    [2, 2],
    [2, 8],
    [8, 8],
    [8, 2],
  ]
  for (const [a, b] of hatchOf([square, hole], 0.3)) {
    const [x, y] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
    expect(x > 2.001 && x < 7.999 && y > 2.001 && y < 7.999).toBe(false)
  }
})

test('length of line times distance comes to the area', () => {
  const corner = fc.tuple(
    fc.double({ min: -8, max: 8, noNaN: true }),
    fc.double({ min: -8, max: 8, noNaN: true }),
  )
  fc.assert(
    fc.property(fc.tuple(corner, corner, corner), (ring) => {
      const [a, b, c] = ring
      const area = Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])) / 2
      const apart = 0.02
      const length = hatchOf([ring], apart).reduce(
        (sum, [p, q]) => sum + Math.hypot(q[0] - p[0], q[1] - p[1]),
        0,
      )
      expect(Math.abs(length * apart - area)).toBeLessThan(0.02 + 0.25 * apart * 40)
    }),
    { numRuns: 300, seed: 5 },
  )
})

test('nothing has no lines', () => {
  expect(hatchOf([], 0.2)).toEqual([])
})
