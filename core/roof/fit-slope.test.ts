import fc from 'fast-check'
import { toRadians } from '../model/units'
import { fitSlope, inwardOf } from './fit-slope'

test('points of a slope give it back: pitch, eave, nothing off', () => {
  const inward = fc.double({ min: 0, max: 12, noNaN: true })
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 75, noNaN: true }),
      fc.double({ min: 1, max: 20, noNaN: true }),
      fc.array(inward, { minLength: 2, maxLength: 5 }),
      (pitchDeg, eaveM, inwards) => {
        fc.pre(Math.max(...inwards) - Math.min(...inwards) > 0.2)
        const found = fitSlope(
          inwards.map((inwardM) => ({ inwardM, heightM: eaveM + inwardM * Math.tan(toRadians(pitchDeg)) })),
        )
        expect(found?.pitchDeg).toBeCloseTo(pitchDeg, 5)
        expect(found?.eaveM).toBeCloseTo(eaveM, 5)
        expect(found?.offM).toBeLessThan(1e-6)
      },
    ),
    { seed: 41, numRuns: 1000 },
  )
})

test('three points that lie on no one slope are off it by as much as is told, and by no less in any other', () => {
  // By hand: heights 3, 4.2 and 5 over 0, 1 and 2 m: rise 1, mean 4.0667 at 1.
  const found = fitSlope([
    { inwardM: 0, heightM: 3 },
    { inwardM: 1, heightM: 4.2 },
    { inwardM: 2, heightM: 5 },
  ])
  expect(found?.pitchDeg).toBeCloseTo(45, 9)
  expect(found?.eaveM).toBeCloseTo(3.066667, 5)
  expect(found?.offM).toBeCloseTo(0.133333, 5)
})

test('points beside each other along the eave tell of no pitch', () => {
  expect(
    fitSlope([
      { inwardM: 2, heightM: 4 },
      { inwardM: 2.05, heightM: 4.3 },
    ]),
  ).toBeNull()
  expect(fitSlope([{ inwardM: 2, heightM: 4 }])).toBeNull()
})

test('inwards is to the left of a side', () => {
  expect(inwardOf([0, 0], [10, 0], [3, 2])).toBeCloseTo(2, 12)
  expect(inwardOf([0, 0], [0, 10], [3, 2])).toBeCloseTo(-3, 12)
})
