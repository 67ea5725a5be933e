import fc from 'fast-check'
import { localClock } from '../model/local-clock'
import { yearStartMs } from '../model/model-year'
import { type Metered } from './bill-lines'
import { tariffFormSchema } from '../kinds/tariff/form'
import { formBill } from './form-bill'
import { inHours } from '../model/hours-of-day'
import { holdsOn, type When } from './when'

const clock = localClock('America/New_York', yearStartMs(-5), 60, 8760)
const series = (value: number | ((hour: number, month: number) => number)) =>
  Float64Array.from({ length: 8760 }, (_, i) =>
    typeof value === 'number' ? value : value(clock.hour[i] ?? 0, clock.month[i] ?? 0),
  )
const metered = (bought: Parameters<typeof series>[0], sold: Parameters<typeof series>[0] = 0): Metered => ({
  clock,
  year: 2025,
  stepMinutes: 60,
  boughtKwh: series(bought),
  soldKwh: series(sold),
})
const bill = (form: object, given: Metered) =>
  formBill(tariffFormSchema.parse({ pricePerKwh: 0.2, ...form }), given)
const january = (form: object, given: Metered) =>
  (bill(form, given).months[0]?.lines ?? []).map(({ code, name, amount }) => [
    name === '' ? code : `${code} ${name}`,
    Math.round(amount * 1e6) / 1e6,
  ])

// January has 31 days, 744 hours, 23 of its days weekdays; New Year's Day is a Wednesday.

test('fixed and daily charges and one price', () => {
  expect(january({ fixedPerMonth: 12, fixedPerDay: 0.5 }, metered(1))).toEqual([
    ['fixed', 12],
    ['daily', 15.5],
    ['energy', 148.8],
  ])
  // The clock loses an hour in March and wins it in November.
  expect(bill({}, metered(1)).annual).toBeCloseTo(8760 * 0.2, 9)
  expect(bill({}, metered(1)).months[2]?.total).toBeCloseTo(743 * 0.2, 9)
  expect(bill({}, metered(1)).months[10]?.total).toBeCloseTo(721 * 0.2, 9)
})

test('periods by hour and day, the first that matches, a holiday as a weekend', () => {
  const periods = [
    { name: 'Peak', days: 'weekday', fromHour: 16, toHour: 21, pricePerKwh: 0.4 },
    { name: 'Night', fromHour: 22, toHour: 6, pricePerKwh: 0.1 },
  ]
  expect(january({ periods }, metered(1))).toEqual([
    ['energy Peak', 46],
    ['energy Night', 24.8],
    ['energy', (744 - 115 - 248) * 0.2],
  ])
  expect(january({ periods, holidays: ['01-01'] }, metered(1))[0]).toEqual(['energy Peak', 44])
  expect(january({ periods, holidays: ['2024-01-01'] }, metered(1))[0]).toEqual(['energy Peak', 46])
})

test('seasons by date, over New Year too', () => {
  const winter = { name: 'Winter', dates: { from: '12-15', to: '01-10' }, pricePerKwh: 0.5 }
  const months = bill({ periods: [winter] }, metered(1)).months
  expect(months[0]?.total).toBeCloseTo(240 * 0.5 + 504 * 0.2, 9)
  expect(months[11]?.total).toBeCloseTo(17 * 24 * 0.5 + 14 * 24 * 0.2, 9)
  expect(months[5]?.total).toBeCloseTo(720 * 0.2, 9)
})

test('tiers by month and by day come on top of the price', () => {
  const steps = [
    { upToKwh: 300, addPerKwh: -0.05 },
    { upToKwh: 600, addPerKwh: 0 },
    { upToKwh: null, addPerKwh: 0.1 },
  ]
  expect(january({ tiers: { per: 'month', steps } }, metered(1))).toEqual([
    ['energy', 148.8],
    ['tier 1', -15],
    ['tier 3', 14.4],
  ])
  const daily = [
    { upToKwh: 10, addPerKwh: 0.01 },
    { upToKwh: null, addPerKwh: 0.03 },
  ]
  expect(january({ tiers: { per: 'day', steps: daily } }, metered(1)).slice(1)).toEqual([
    ['tier 1', 3.1],
    ['tier 2', (744 - 310) * 0.03],
  ])
})

test('demand: the greatest hour of its window, and a share of the greatest of the year', () => {
  const given = metered((hour, month) => (hour === 18 ? (month === 6 ? 8 : 3) : hour === 9 ? 5 : 1))
  const charge = { name: 'Peak kW', perKw: 4, fromHour: 16, toHour: 21 }
  expect(january({ demand: [charge] }, given).at(-1)).toEqual(['demand Peak kW', 12])
  expect(january({ demand: [{ ...charge, ratchet: 0.8 }] }, given).at(-1)).toEqual(['demand Peak kW', 25.6])
  expect(january({ demand: [{ ...charge, fromHour: 0, toHour: 24 }] }, given).at(-1)).toEqual([
    'demand Peak kW',
    20,
  ])
})

test('demand by the quarter-hour and by the hour of the same data', () => {
  const quarters = localClock('America/New_York', yearStartMs(-5), 15, 35_040)
  const boughtKwh = new Float64Array(35_040)
  // 6 kW for a quarter of an hour, 2 kW over the hour.
  boughtKwh[80] = 1.5
  boughtKwh[81] = 0.5
  const given = {
    clock: quarters,
    year: 2025,
    stepMinutes: 15,
    boughtKwh,
    soldKwh: new Float64Array(35_040),
  }
  expect(january({ demand: [{ perKw: 10, minutes: 15 }] }, given).at(-1)).toEqual(['demand', 60])
  expect(january({ demand: [{ perKw: 10, minutes: 60 }] }, given).at(-1)).toEqual(['demand', 20])
})

test('exports: net billing by period, board and interval, feed-in with a cap, none', () => {
  const sold = metered(1, (hour) => (hour === 12 ? 2 : 0))
  expect(january({ exportPerKwh: 0.08 }, sold)).toEqual([
    ['energy', 148.8],
    ['exports', -62 * 0.08],
  ])
  const midday = { name: 'Noon', fromHour: 11, toHour: 14, pricePerKwh: 0.2, exportPerKwh: 0.02 }
  expect(january({ exportPerKwh: 0.08, periods: [midday] }, sold).at(-1)).toEqual(['exports', -1.24])
  const row = (price: number) => Array.from({ length: 24 }, (_, h) => (h === 12 ? price : 9))
  const board = {
    weekday: Array.from({ length: 12 }, () => row(0.1)),
    weekend: Array.from({ length: 12 }, () => row(0.03)),
  }
  expect(january({ exports: { kind: 'net-billing', board } }, sold).at(-1)).toEqual([
    'exports',
    -(46 * 0.1 + 16 * 0.03),
  ])
  expect(january({ exports: { kind: 'net-billing', intervals: [...series(0.05)] } }, sold).at(-1)).toEqual([
    'exports',
    -3.1,
  ])
  const capped = bill({ exports: { kind: 'feed-in', perKwh: 0.1, capKwhPerYear: 100 } }, sold)
  expect(capped.annual).toBeCloseTo(8760 * 0.2 - 10, 9)
  expect(january({ exports: { kind: 'none' } }, sold)).toEqual([['energy', 148.8]])
})

test('net metering by the month: what is left over is paid at its own price, and nothing is carried', () => {
  // Four kWh at noon against a half in every hour: 124 go out and 372 come in.
  const exports = { kind: 'net-metering', settle: 'month', surplusPerKwh: 0.03 }
  expect(
    january(
      { exports },
      metered(0.5, (hour) => (hour === 12 ? 4 : 0)),
    ),
  ).toEqual([['energy', 248 * 0.2]])
  expect(
    january(
      { exports, fixedPerMonth: 10 },
      metered(0.5, (hour) => (hour === 12 ? 20 : 0)),
    ),
  ).toEqual([
    ['fixed', 10],
    ['energy', -49.6],
    ['credit-lapsed', 49.6],
    ['surplus', -7.44],
  ])
})

test('net metering by the year: summer’s credit is used in winter, the rest settled', () => {
  const exports = { kind: 'net-metering', settle: 'year', surplusPerKwh: 0.03 }
  const summer = metered(1, (hour, month) => (hour === 12 && month >= 5 && month <= 7 ? 48 : 0))
  const { months, annual } = bill({ exports }, summer)
  const codes = (m: number) => months[m]?.lines.map(({ code }) => code)
  expect(codes(4)).toEqual(['energy'])
  expect(codes(6)).toEqual(['energy', 'credit-carried'])
  expect(months[6]?.total).toBeCloseTo(0, 9)
  expect(codes(8)).toEqual(['energy', 'credit-used'])
  // Twice what June to August take goes out then: 92 x 24 kWh of credit last to the end of November.
  expect(annual).toBeCloseTo(0.2 * (8760 - 92 * 48), 6)
  expect(annual).toBeGreaterThan(0)
  // Settled in May the credit lasts through winter into the new year.
  const later = bill({ exports: { ...exports, settleMonth: 5 } }, summer)
  expect(later.annual).toBeCloseTo(annual, 6)
  const much = bill(
    { exports },
    metered(1, (hour) => (hour === 12 ? 48 : 0)),
  )
  expect(much.annual).toBeCloseTo(-365 * 24 * 0.03, 6)
})

test('non-bypassable, minimum, tax and credit, in that order; a price step on all of it', () => {
  const form = {
    nonBypassablePerKwh: 0.01,
    exportPerKwh: 0.3,
    minimumPerMonth: 20,
    taxes: [{ name: 'Sales', share: 0.1 }],
    credits: [{ name: 'Climate', months: [1], amount: 5 }],
  }
  const given = metered(1, (hour) => (hour === 12 ? 20 : 0))
  expect(january(form, given)).toEqual([
    ['energy', 148.8],
    ['non-bypassable', 7.44],
    ['exports', -186],
    ['minimum', 49.76],
    ['tax Sales', 2],
    ['credit Climate', -5],
  ])
  const steps = [
    { year: 2024, factor: 1.5 },
    { year: 2026, factor: 9 },
  ]
  expect(bill({ ...form, priceSteps: steps }, given).months[0]?.total).toBeCloseTo(17 * 1.5, 9)
})

test('a leap year has 29 days in February', () => {
  const leap = {
    clock: localClock('Europe/Madrid', yearStartMs(1, 2024), 60, 8784),
    year: 2024,
    stepMinutes: 60,
    boughtKwh: new Float64Array(8784).fill(1),
    soldKwh: new Float64Array(8784),
  }
  const { months, annual } = bill({ fixedPerDay: 1 }, leap)
  expect(months[1]?.total).toBeCloseTo(29 + 29 * 24 * 0.2, 9)
  expect(annual).toBeCloseTo(366 + 8784 * 0.2, 9)
})

const when = fc.record({
  months: fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { maxLength: 6 }),
  days: fc.constantFrom('all', 'weekday', 'weekend'),
  fromHour: fc.integer({ min: 0, max: 24 }),
  toHour: fc.integer({ min: 0, max: 24 }),
  pricePerKwh: fc.double({ min: 0, max: 1, noNaN: true }),
})

test('whatever the periods: lines add up to totals, and energy to a slow count hour by hour', () => {
  const given = metered(
    (hour, month) => ((hour * 7 + month) % 5) / 4,
    (hour) => (hour > 9 && hour < 15 ? 0.7 : 0),
  )
  fc.assert(
    fc.property(
      fc.array(when, { maxLength: 6 }),
      fc.double({ min: 0, max: 0.5, noNaN: true }),
      (periods, out) => {
        const form = tariffFormSchema.parse({
          pricePerKwh: 0.2,
          periods,
          exportPerKwh: out,
          fixedPerMonth: 9,
        })
        const { months, annual } = formBill(form, given)
        let slow = 12 * 9
        for (let i = 0; i < 8760; i++) {
          const [month, date, hour] = [clock.month[i] ?? 0, clock.date[i] ?? 0, clock.hour[i] ?? 0]
          const found = form.periods.find(
            (period: When) => holdsOn(period, month, date, clock.weekend[i] === 1) && inHours(period, hour),
          )
          slow += (given.boughtKwh[i] ?? 0) * (found?.pricePerKwh ?? 0.2) - (given.soldKwh[i] ?? 0) * out
        }
        expect(annual).toBeCloseTo(slow, 6)
        for (const { lines, total } of months)
          expect(lines.reduce((sum, { amount }) => sum + amount, 0)).toBeCloseTo(total, 9)
      },
    ),
    { seed: 152, numRuns: 30 },
  )
})
