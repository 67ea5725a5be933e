import fc from 'fast-check'
import { tariffFormSchema } from '../kinds/tariff/form'
import { dayCount, dayOfCount } from '../model/day'
import { zoneOffsetMs } from '../model/local-clock'
import { monthParts, spanBill } from './span-bill'

const zone = 'America/New_York'
const partsOf = (from: string, to: string, at = zone) => monthParts(dayCount(from), dayCount(to), at)
const lines = (form: object, from: string, to: string, kwhAnHour = 1) => {
  const parts = partsOf(from, to)
  const kwh = parts.map(({ clock }) => new Float64Array(clock.hour.length).fill(kwhAnHour))
  return Object.fromEntries(
    spanBill(tariffFormSchema.parse({ pricePerKwh: 0.2, ...form }), parts, kwh).map(
      ({ code, name, amount }) => [name === '' ? code : `${code} ${name}`, amount],
    ),
  )
}

test('days of two months: each month’s part, with the hours that its clock has', () => {
  const parts = partsOf('2024-02-15', '2024-04-14')
  expect(parts.map(({ year, month, days }) => [year, month, days])).toEqual([
    [2024, 1, 15],
    [2024, 2, 31],
    [2024, 3, 14],
  ])
  expect(parts.map(({ share }) => share)).toEqual([15 / 29, 1, 14 / 30])
  // March loses an hour, and begins at midnight of the clock.
  expect(parts.map(({ clock }) => clock.hour.length)).toEqual([360, 743, 336])
  expect(parts.map(({ clock }) => [clock.hour[0], clock.date[0]])).toEqual([
    [0, 15],
    [0, 1],
    [0, 1],
  ])
})

test('by hand: charges by the day and by the month, energy, an allowance and a tax', () => {
  // 10 of April's 30 days and 10 of May's 31, a kWh an hour.
  const found = lines(
    {
      fixedPerMonth: 30,
      fixedPerDay: 0.5,
      minimumPerMonth: 0,
      taxes: [{ name: 'VAT', share: 0.1 }],
      tiers: {
        per: 'month',
        steps: [
          { upToKwh: 300, addPerKwh: 0 },
          { upToKwh: null, addPerKwh: 0.05 },
        ],
      },
    },
    '2024-04-21',
    '2024-05-10',
  )
  expect(found['fixed']).toBeCloseTo(30 * (10 / 30 + 10 / 31) + 0.5 * 20, 9)
  expect(found['energy']).toBeCloseTo(480 * 0.2, 9)
  const over = 240 - 300 / 3 + (240 - (300 * 10) / 31)
  expect(found['tier 2']).toBeCloseTo(over * 0.05, 9)
  const before = (found['fixed'] ?? 0) + (found['energy'] ?? 0) + (found['tier 2'] ?? 0)
  expect(found['tax VAT']).toBeCloseTo(before * 0.1, 9)
})

test('by hand: allowances by the day, demand, minimum and credit', () => {
  const found = lines(
    {
      tiers: {
        per: 'day',
        steps: [
          { upToKwh: 10, addPerKwh: 0 },
          { upToKwh: null, addPerKwh: 0.1 },
        ],
      },
      demand: [{ name: 'Peak', perKw: 9, minutes: 60, ratchet: 0.8 }],
      credits: [{ name: 'Club', amount: 6 }],
    },
    '2023-06-01',
    '2023-06-15',
  )
  expect(found['tier 2']).toBeCloseTo(15 * 14 * 0.1, 9)
  expect(found['demand Peak']).toBeCloseTo(9 / 2, 9)
  expect(found['credit Club']).toBeCloseTo(-3, 9)
  const least = lines({ minimumPerMonth: 60 }, '2023-06-01', '2023-06-15', 0)
  expect(least['minimum']).toBeCloseTo(30, 9)
})

test('weekdays and holidays are those of the bill’s own year', () => {
  const form = { pricePerKwh: 0, periods: [{ name: 'Work', days: 'weekday', pricePerKwh: 1 }] }
  // 1 July is a Saturday in 2023 and a Monday in 2024.
  expect(lines(form, '2023-07-01', '2023-07-01')['energy Work'] ?? 0).toBe(0)
  expect(lines(form, '2024-07-01', '2024-07-01')['energy Work']).toBeCloseTo(24, 9)
  expect(lines({ ...form, holidays: ['2024-07-01'] }, '2024-07-01', '2024-07-01')['energy Work'] ?? 0).toBe(0)
  expect(lines({ ...form, holidays: ['2023-07-01'] }, '2024-07-01', '2024-07-01')['energy Work']).toBeCloseTo(
    24,
    9,
  )
})

test('seeded: a bill cut in two at a month’s end costs the same, and hours are never lost between parts', () => {
  const form = tariffFormSchema.parse({
    pricePerKwh: 0.21,
    fixedPerMonth: 14,
    fixedPerDay: 0.3,
    periods: [{ name: 'Night', fromHour: 22, toHour: 6, pricePerKwh: 0.1 }],
    taxes: [{ name: 'VAT', share: 0.21 }],
  })
  fc.assert(
    fc.property(
      fc.integer({ min: 18_000, max: 21_000 }),
      fc.integer({ min: 1, max: 200 }),
      fc.constantFrom('America/New_York', 'Australia/Adelaide', 'Europe/Madrid', 'Asia/Kolkata'),
      (from, days, at) => {
        const parts = monthParts(from, from + days - 1, at)
        expect(parts.reduce((all, part) => all + part.days, 0)).toBe(days)
        parts.forEach(({ startMs, clock }, k) => {
          const local = new Date(startMs + zoneOffsetMs(at, startMs))
          expect(local.getUTCHours() + local.getUTCMinutes()).toBe(0)
          const next = parts[k + 1]
          if (next) expect(startMs + clock.hour.length * 3_600_000).toBe(next.startMs)
        })
        const kwh = parts.map(({ clock }) => Float64Array.from(clock.hour, (hour) => 0.2 + hour / 24))
        const cost = (of: typeof parts, own: typeof kwh) =>
          spanBill(form, of, own).reduce((all, { amount }) => all + amount, 0)
        const cut = Math.floor(parts.length / 2)
        const halves = cost(parts.slice(0, cut), kwh.slice(0, cut)) + cost(parts.slice(cut), kwh.slice(cut))
        expect(cost(parts, kwh)).toBeCloseTo(halves, 6)
      },
    ),
    { numRuns: 300, seed: 20261130 },
  )
  expect(dayOfCount(dayCount('2024-02-29'))).toBe('2024-02-29')
})
