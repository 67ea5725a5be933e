import { stepFactors, steppedBills } from './price-steps'

const steps = (...priceSteps: { year: number; factor: number }[]) => ({ priceSteps })

test('a step holds from its year on, in whatever order they stand', () => {
  expect(stepFactors(steps(), 3)).toEqual([1, 1, 1])
  expect(stepFactors(steps({ year: 2028, factor: 1.5 }, { year: 2026, factor: 1.2 }), 5)).toEqual([
    1, 1.2, 1.2, 1.5, 1.5,
  ])
})

test('against the prices of the first year, which may have a step of their own', () => {
  expect(stepFactors(steps({ year: 2020, factor: 2 }, { year: 2027, factor: 3 }), 3)).toEqual([1, 1, 1.5])
  // What costs nothing in the first year has no price to go by.
  expect(stepFactors(steps({ year: 2025, factor: 0 }, { year: 2026, factor: 1 }), 2)).toEqual([1, 1])
})

test('bills and what exports earn go along with their own tariff, what is made does not', () => {
  const year = { bill: 100, exported: 20, yieldKwh: 5000 }
  const dearer = steps({ year: 2026, factor: 1.5 })
  expect(steppedBills({ now: steps(), then: dearer }, 300, [year, year])).toEqual({
    before: [300, 300],
    after: [year, { bill: 150, exported: 30, yieldKwh: 5000 }],
  })
  expect(steppedBills({ now: dearer, then: steps() }, 300, [year, year])).toEqual({
    before: [300, 450],
    after: [year, year],
  })
})
