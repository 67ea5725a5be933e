import { defaultTariff, type Tariff } from '../kinds/tariff/tariff'
import { localClock, standardOffsetHours, zoneOffsetMs } from '../model/local-clock'
import { formBill } from './form-bill'

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

const none = new Float64Array(8760)
const billed = (boughtKwh: Float64Array, soldKwh = none) =>
  formBill(timeOfUse, { clock, year: 2025, stepMinutes: 60, boughtKwh, soldKwh })

test('a bill by hand: 1 kWh every hour under time of use', () => {
  const { months, annual } = billed(new Float64Array(8760).fill(1))
  // January 2025 by the clock: 31 days of 7 night hours and 17 others: 31 (7 * 0.11 + 17 * 0.2) + 12.
  expect(months[0]?.total).toBeCloseTo(31 * (7 * 0.11 + 17 * 0.2) + 12, 9)
  // July has 23 weekdays: five of the other hours cost 0.25 more on each.
  expect(months[6]?.total).toBeCloseTo(31 * (7 * 0.11 + 17 * 0.2) + 23 * 5 * 0.25 + 12, 9)
  expect(annual).toBeCloseTo(
    months.reduce((sum, { total }) => sum + total, 0),
    6,
  )
})

test('periods of one name and price stand on one line of the bill', () => {
  const halves = [
    { from: 0, to: 6 },
    { from: 6, to: 12 },
  ].map(({ from, to }) => ({
    name: 'Morning',
    months: [],
    days: 'all' as const,
    fromHour: from,
    toHour: to,
    pricePerKwh: 0.1,
  }))
  const { months } = formBill(
    {
      ...timeOfUse,
      periods: [...halves, { ...halves[0], pricePerKwh: 0.3, fromHour: 12, toHour: 13 } as never],
    },
    { clock, year: 2025, stepMinutes: 60, boughtKwh: new Float64Array(8760).fill(1), soldKwh: none },
  )
  // January: 31 days of twelve hours at 0.1, one at 0.3 under the same name, eleven others.
  expect(months[0]?.lines.map(({ name, amount }) => [name, Number(amount.toFixed(6))])).toEqual([
    ['', 12],
    ['Morning', 37.2],
    ['Morning', 9.3],
    ['', 68.2],
  ])
})

test('exports are credited at their price', () => {
  const sold = new Float64Array(8760)
  sold[0] = 100
  const [january] = billed(none, sold).months
  expect(january?.total).toBeCloseTo(12 - 6, 12)
  expect(january?.lines.find(({ code }) => code === 'exports')?.amount).toBeCloseTo(-6, 12)
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
