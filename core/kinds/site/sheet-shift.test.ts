import fc from 'fast-check'
import { rightAtM, shiftFor, shiftFromTo } from './sheet-shift'

test('a picture that leans a fifth of the height sits right at the eaves when shifted by a fifth of theirs', () => {
  expect(shiftFor([-0.2, 0.1], [0, 0], 3)).toEqual([0.6, -0.3])
  expect(rightAtM([-0.2, 0.1], [0.6, -0.3])).toBe(3)
  expect(rightAtM([-0.2, 0.1], [0, 0])).toBe(0)
  // From straight above it sits right at every height.
  expect(shiftFor([0, 0], [1.5, -2], 4)).toEqual([1.5, -2])
})

test('whatever the lean, what was shifted is told again, and what was shifted across the lean stays', () => {
  const metre = fc.double({ min: -3, max: 3, noNaN: true })
  const lean = fc
    .record({
      turn: fc.double({ min: 0, max: 6.28, noNaN: true }),
      by: fc.double({ min: 0.05, max: 1, noNaN: true }),
    })
    .map(({ turn, by }): [number, number] => [by * Math.cos(turn), by * Math.sin(turn)])
  fc.assert(
    fc.property(
      lean,
      metre,
      metre,
      fc.double({ min: 0, max: 12, noNaN: true }),
      (leanM, east, north, heightM) => {
        const shifted = shiftFor(leanM, [east, north], heightM)
        // Millimetres are a share of the lean off.
        expect(Math.abs(rightAtM(leanM, shifted) - heightM)).toBeLessThan(
          0.0021 / Math.hypot(...leanM) + 0.001,
        )
        const across = ([x, y]: readonly [number, number]) =>
          (x * -leanM[1] + y * leanM[0]) / Math.hypot(...leanM)
        expect(Math.abs(across(shifted) - across([east, north]))).toBeLessThan(0.002)
      },
    ),
    { numRuns: 2000, seed: 3 },
  )
})

test('a point of the picture comes to lie where it belongs', () => {
  expect(shiftFromTo([0.5, -1], [10, 4], [9.2, 4.7])).toEqual([-0.3, -0.3])
})
