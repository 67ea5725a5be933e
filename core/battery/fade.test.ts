import { fadeOf, leftAfterYear, usualFade } from './fade'

test('an offer’s own figure comes before the data sheet, and that before the usual', () => {
  const sheet = { fadePerYear: 0.01, fadePerCycle: 0.00005 }
  expect(fadeOf(0.03, sheet)).toEqual({ perYear: 0.03, perCycle: 0 })
  expect(fadeOf(0, sheet)).toEqual({ perYear: 0, perCycle: 0 })
  expect(fadeOf(null, sheet)).toEqual({ perYear: 0.01, perCycle: 0.00005 })
  expect(fadeOf(null, { fadePerCycle: 0.0001 })).toEqual({ perYear: 0, perCycle: 0.0001 })
  expect(fadeOf(null, {})).toBe(usualFade)
})

test('6,000 cycles to 70 % are just those, however they are spread over the years', () => {
  const perCycle = 1 - 0.7 ** (1 / 6000)
  let left = 1
  for (const cycles of [250, 0, 5000, 750]) left = leftAfterYear(left, { perYear: 0, perCycle }, cycles)
  expect(left).toBeCloseTo(0.7, 12)
  expect(leftAfterYear(0.8, { perYear: 0.02, perCycle: 0 }, 300)).toBeCloseTo(0.784, 12)
})
