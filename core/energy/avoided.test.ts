import { avoidedBy } from './avoided'

test('by hand: 8,800 kWh at 0.31 kg are 2,728 kg, 124 trees for a year, and 6,820 miles by car', () => {
  const { kg, trees, carKm } = avoidedBy(8800, 0.31)
  expect(kg).toBeCloseTo(2728, 9)
  expect(trees).toBeCloseTo(124, 9)
  expect(carKm / 1.609344).toBeCloseTo(6820, 6)
})
