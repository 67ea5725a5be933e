import fc from 'fast-check'
import { type Vec2 } from '@/core/geometry/vector'
import { apartFrom } from './apart'

test('labels that have room stay where they are; of two on each other the second goes below or above by its height', () => {
  const apart: Vec2[] = [
    [0, 0],
    [100, 3],
    [0, 15],
  ]
  expect(apartFrom(apart, [84, 15])).toEqual(apart)
  expect(
    apartFrom(
      [
        [0, 0],
        [40, 4],
      ],
      [84, 15],
    ),
  ).toEqual([
    [0, 0],
    [40, 15],
  ])
})

test('no label lies on another, however many there are', () => {
  const at = fc.double({ min: 0, max: 120, noNaN: true })
  fc.assert(
    fc.property(fc.array(fc.tuple(at, at), { maxLength: 12 }), (middles) => {
      const placed = apartFrom(middles, [84, 15])
      expect(placed.map(([x]) => x)).toEqual(middles.map(([x]) => x))
      placed.forEach(([x, y], i) => {
        for (const [ox, oy] of placed.slice(i + 1))
          expect(Math.abs(ox - x) >= 84 || Math.abs(oy - y) >= 15 - 1e-6).toBe(true)
      })
    }),
    { seed: 4, numRuns: 2000 },
  )
})
