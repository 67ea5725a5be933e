import { localClock } from '../model/local-clock'
import { addedLoad, type AddedTo } from './added-load'

const clock = localClock('America/New_York', Date.UTC(2025, 0, 1, 5), 60, 8760)
const year: AddedTo = {
  clock,
  airC: Float64Array.from({ length: 8760 }, (_, i) => 10 - 12 * Math.cos((i / 8760) * 2 * Math.PI)),
}
const sum = (values: Float64Array) => values.reduce((all, value) => all + value, 0)

test('heating follows the cold, cooling the heat, and both the year’s sum', () => {
  const heating = addedLoad({ what: 'heating', kwhPerYear: 4000, baseC: 15 }, year)
  const cooling = addedLoad({ what: 'cooling', kwhPerYear: 900, baseC: 18 }, year)
  expect([sum(heating), sum(cooling)].map((kwh) => Math.round(kwh))).toEqual([4000, 900])
  // 17 K under the base on New Year's morning, 7 K under it in April: in proportion.
  const spring = 8760 / 4 - 520
  const cold = (i: number) => 15 - (year.airC?.[i] ?? 0)
  expect((heating[0] ?? 0) / (heating[spring] ?? 1)).toBeCloseTo(cold(0) / cold(spring), 9)
  expect(cooling[0]).toBe(0)
  expect(heating[4380]).toBe(0)
})

test('hours of some months, below zero for what will go', () => {
  const pool = addedLoad({ what: 'hours', kwhPerYear: -300, fromHour: 10, toHour: 14, months: [7] }, year)
  expect(sum(pool)).toBeCloseTo(-300, 9)
  const used = pool.map((kwh, i) =>
    kwh !== 0 && (clock.month[i] !== 6 || (clock.hour[i] ?? 0) < 10) ? 1 : 0,
  )
  expect(sum(used)).toBe(0)
  expect(pool.filter((kwh) => kwh !== 0)).toHaveLength(31 * 4)
})
