import fc from 'fast-check'
import { type AddedLoad } from '../kinds/load/load'
import { localClock } from '../model/local-clock'
import { addedLoad, type AddedTo } from './added-load'

const clock = localClock('America/New_York', Date.UTC(2025, 0, 1, 5), 60, 8760)
const year: AddedTo = {
  clock,
  stepMinutes: 60,
  // Cheap from one to four at night.
  price: Float64Array.from(clock.hour, (hour) => (hour >= 1 && hour < 4 ? 0.1 : 0.3)),
  airC: Float64Array.from({ length: 8760 }, (_, i) => 10 - 12 * Math.cos((i / 8760) * 2 * Math.PI)),
}
const sum = (values: Float64Array) => values.reduce((all, value) => all + value, 0)
const common = { id: 'a', name: 'A', on: true }
const car: Extract<AddedLoad, { what: 'car' }> = {
  ...common,
  what: 'car',
  kwhPerYear: 3650,
  chargerKw: 7,
  fromHour: 18,
  toHour: 7,
  charging: 'at-once',
}

test('a car is charged when it comes home, or in the cheapest hours that it is there', () => {
  const atOnce = addedLoad(car, year)
  expect(sum(atOnce)).toBeCloseTo(3650, 6)
  // 10 kWh on an evening in March: seven in the first hour, three in the next.
  const march = 70 * 24
  const evening = Array.from({ length: 24 }, (_, k) => march + k).filter((i) => clock.hour[i] === 18)[0] ?? 0
  expect(atOnce[evening]).toBeCloseTo(7, 9)
  expect(atOnce[evening + 1]).toBeCloseTo(3, 1)
  expect(atOnce[evening + 2]).toBe(0)
  const cheapest = addedLoad({ ...car, charging: 'cheapest' }, year)
  expect(sum(cheapest)).toBeCloseTo(3650, 6)
  const wrong = cheapest.filter((kwh, i) => kwh > 0 && !(clock.hour[i] === 1 || clock.hour[i] === 2))
  // But the evening that New Year cuts off its night, and the night that has no two o’clock.
  expect(wrong.filter((kwh) => kwh > 0)).toHaveLength(2)
})

test('heating follows the cold, cooling the heat, and both the year’s sum', () => {
  const heating = addedLoad({ ...common, what: 'heating', kwhPerYear: 4000, baseC: 15 }, year)
  const cooling = addedLoad({ ...common, what: 'cooling', kwhPerYear: 900, baseC: 18 }, year)
  expect([sum(heating), sum(cooling)].map((kwh) => Math.round(kwh))).toEqual([4000, 900])
  // 17 K under the base on New Year's morning, 7 K under it in April: in proportion.
  const spring = 8760 / 4 - 520
  const cold = (i: number) => 15 - (year.airC?.[i] ?? 0)
  expect((heating[0] ?? 0) / (heating[spring] ?? 1)).toBeCloseTo(cold(0) / cold(spring), 9)
  expect(cooling[0]).toBe(0)
  expect(heating[4380]).toBe(0)
})

test('hours of some months, below zero for what will go', () => {
  const pool = addedLoad(
    { ...common, what: 'hours', kwhPerYear: -300, fromHour: 10, toHour: 14, months: [7] },
    year,
  )
  expect(sum(pool)).toBeCloseTo(-300, 9)
  const used = pool.map((kwh, i) =>
    kwh !== 0 && (clock.month[i] !== 6 || (clock.hour[i] ?? 0) < 10) ? 1 : 0,
  )
  expect(sum(used)).toBe(0)
  expect(pool.filter((kwh) => kwh !== 0)).toHaveLength(31 * 4)
})

test('whatever the car: no more than its charger gives, only while it is there, never more than is wanted', () => {
  const hour = fc.integer({ min: 0, max: 24 })
  fc.assert(
    fc.property(
      hour,
      hour,
      fc.double({ min: 1, max: 40_000, noNaN: true }),
      fc.double({ min: 0.5, max: 22, noNaN: true }),
      fc.constantFrom('at-once' as const, 'cheapest' as const),
      (fromHour, toHour, kwhPerYear, chargerKw, charging) => {
        const kwh = addedLoad({ ...car, fromHour, toHour, kwhPerYear, chargerKw, charging }, year)
        const total = sum(kwh)
        expect(total).toBeLessThanOrEqual(kwhPerYear + 1e-6)
        expect(Math.max(...kwh)).toBeLessThanOrEqual(chargerKw + 1e-9)
        const there = (h: number) =>
          fromHour === toHour ||
          (fromHour < toHour ? h >= fromHour && h < toHour : h >= fromHour || h < toHour)
        expect(kwh.every((value, i) => value === 0 || there(clock.hour[i] ?? -1))).toBe(true)
        // All of it where the charger has time enough each day.
        const hours = ((toHour - fromHour + 24) % 24 || 24) - 1
        if (hours * chargerKw > (kwhPerYear / 365) * 1.05) expect(total).toBeGreaterThan(kwhPerYear * 0.995)
      },
    ),
    { seed: 9, numRuns: 80, endOnFailure: true },
  )
})
