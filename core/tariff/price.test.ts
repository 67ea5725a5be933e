import fc from 'fast-check'
import { defaultTariff, type Tariff, type TariffPeriod } from '../kinds/tariff/tariff'
import { localClock } from '../model/local-clock'
import { formBill } from './form-bill'
import { hourlyPrice } from './price'

const clock = localClock('America/New_York', Date.UTC(2025, 0, 1, 5), 60, 8760)
const period = (fields: Partial<TariffPeriod>): TariffPeriod => ({
  name: 'P',
  months: [],
  days: 'all',
  fromHour: 0,
  toHour: 24,
  pricePerKwh: 1,
  ...fields,
})
const none = new Float64Array(8760)
const billed = (tariff: Tariff, boughtKwh: Float64Array, soldKwh = none) =>
  formBill(tariff, { clock, year: 2025, stepMinutes: 60, boughtKwh, soldKwh })
const withPeriods = (...periods: TariffPeriod[]): Tariff => ({ ...defaultTariff, pricePerKwh: 0.2, periods })

test('the first period that matches gives the price; where none does, the tariff’s own', () => {
  const price = hourlyPrice(
    withPeriods(
      period({ fromHour: 17, toHour: 19, pricePerKwh: 0.5 }),
      period({ fromHour: 16, toHour: 21, pricePerKwh: 0.4 }),
    ),
    clock,
  )
  // 1 January, by the clock.
  expect([15, 16, 17, 18, 19, 20, 21].map((hour) => price[hour])).toEqual([0.2, 0.4, 0.5, 0.5, 0.4, 0.4, 0.2])
})

test('a period over midnight holds on both sides of it, one of equal ends the whole day', () => {
  const night = hourlyPrice(withPeriods(period({ fromHour: 22, toHour: 5 })), clock)
  expect(Array.from(night.slice(0, 24), (p) => (p === 1 ? 1 : 0)).join('')).toBe('111110000000000000000011')
  const whole = hourlyPrice(withPeriods(period({ fromHour: 7, toHour: 7 })), clock)
  expect(new Set(whole)).toEqual(new Set([1]))
})

test('days and months: Saturday 4 January is a weekend, Monday 6 is not, February is not January', () => {
  const price = hourlyPrice(withPeriods(period({ months: [1], days: 'weekend' })), clock)
  expect([3, 4, 5, 31].map((day) => price[day * 24 + 12])).toEqual([1, 1, 0.2, 0.2])
})

const anyPeriod = fc.record({
  months: fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { maxLength: 12 }),
  days: fc.constantFrom('all' as const, 'weekday' as const, 'weekend' as const),
  fromHour: fc.integer({ min: 0, max: 24 }),
  toHour: fc.integer({ min: 0, max: 24 }),
  pricePerKwh: fc.double({ min: -0.1, max: 1, noNaN: true }),
})

test('whatever the periods: every hour has one of the prices, bills add up, and grow with what is bought', () => {
  fc.assert(
    fc.property(fc.array(anyPeriod, { maxLength: 5 }), fc.integer({ min: 0, max: 8759 }), (fields, hour) => {
      const tariff = withPeriods(...fields.map(period))
      const price = hourlyPrice(tariff, clock)
      const known = new Set([tariff.pricePerKwh, ...tariff.periods.map((p) => p.pricePerKwh)])
      expect([...new Set(price)].every((p) => known.has(p))).toBe(true)
      const bought = new Float64Array(8760).fill(0.5)
      const bill = billed(tariff, bought)
      expect(bill.annual).toBeCloseTo(
        bill.months.reduce((sum, { total }) => sum + total, 0),
        6,
      )
      bought[hour] = 1.5
      const more = billed(tariff, bought)
      expect(more.annual - bill.annual).toBeCloseTo(price[hour] ?? NaN, 9)
      const month = clock.month[hour] ?? -1
      expect((more.months[month]?.total ?? 0) - (bill.months[month]?.total ?? 0)).toBeCloseTo(
        price[hour] ?? NaN,
        9,
      )
    }),
    { seed: 51, numRuns: 40 },
  )
})

test('a kWh sold at the price it is bought for weighs out one bought in the same month', () => {
  const even = { ...withPeriods(), exportPerKwh: 0.2, fixedPerMonth: 0 }
  const flow = Float64Array.from({ length: 8760 }, (_, i) => (i % 7) / 3)
  const bill = billed(even, flow, flow)
  expect(bill.annual).toBeCloseTo(0, 9)
  expect(Math.max(...bill.months.map(({ total }) => Math.abs(total)))).toBeLessThan(1e-9)
})
