import { defaultTariff, type Tariff } from '../kinds/tariff/tariff'
import { localClock, standardOffsetHours, zoneOffsetMs } from '../model/local-clock'
import { billOf } from './bill'
import { hourlyPrice } from './price'

const start = Date.UTC(2025, 0, 1) + 5 * 3_600_000
const clock = localClock('America/New_York', start, 60, 8760)

const timeOfUse: Tariff = {
  ...defaultTariff,
  fixedPerMonth: 12,
  pricePerKwh: 0.2,
  exportPerKwh: 0.06,
  periods: [
    {
      name: 'Summer peak',
      months: [6, 7, 8, 9],
      days: 'weekday',
      fromHour: 15,
      toHour: 20,
      pricePerKwh: 0.45,
    },
    { name: 'Night', months: [], days: 'all', fromHour: 23, toHour: 6, pricePerKwh: 0.11 },
  ],
}

test('a bill by hand: 1 kWh every hour under time of use', () => {
  const price = hourlyPrice(timeOfUse, clock)
  const bill = billOf(timeOfUse, price, clock, new Float64Array(8760).fill(1))
  // January 2025 by the clock: 31 days of 7 night hours and 17 others: 31 (7 * 0.11 + 17 * 0.2) + 12.
  expect(bill.monthly[0]).toBeCloseTo(31 * (7 * 0.11 + 17 * 0.2) + 12, 9)
  // July has 23 weekdays: five of the other hours cost 0.25 more on each.
  expect(bill.monthly[6]).toBeCloseTo(31 * (7 * 0.11 + 17 * 0.2) + 23 * 5 * 0.25 + 12, 9)
  expect(bill.annual).toBeCloseTo(
    bill.monthly.reduce((s, m) => s + m, 0),
    6,
  )
})

test('exports are credited at their price', () => {
  const none = new Float64Array(8760)
  const sold = new Float64Array(8760)
  sold[0] = 100
  const bill = billOf(timeOfUse, hourlyPrice(timeOfUse, clock), clock, none, sold)
  expect(bill.monthly[0]).toBeCloseTo(12 - 6, 12)
  expect(bill.credit).toBeCloseTo(6, 12)
})

test('the clock goes forward in March and back in November; weekends are weekends', () => {
  const hours = (day: number) => Array.from(clock.hour.slice(day * 24, day * 24 + 24))
  // 9 March 2025 is day 67: no 2 o'clock, and from then on the clock runs an hour before standard time.
  expect(hours(67).slice(0, 4)).toEqual([0, 1, 3, 4])
  expect(hours(180)[0]).toBe(1)
  expect(clock.weekend[3 * 24]).toBe(1)
  expect(clock.weekend[5 * 24]).toBe(0)
  expect(standardOffsetHours('Australia/Adelaide', 2025)).toBe(9.5)
  expect(zoneOffsetMs('Europe/Madrid', Date.UTC(2025, 6, 1))).toBe(7_200_000)
})
