import { Fault } from '@/core/model/fault'
import { answerTo } from '../case-command'
import { billQuestion } from './bill'

const tariff = {
  fixedPerMonth: 10,
  pricePerKwh: 0.2,
  periods: [{ name: 'Peak', days: 'weekday', fromHour: 16, toHour: 21, pricePerKwh: 0.4 }],
  exportPerKwh: 0.05,
}
const given = {
  timeZone: 'America/New_York',
  year: 2025,
  tariff,
  buyKwh: new Array<number>(8760).fill(1),
  sellKwh: new Array<number>(8760).fill(0.5),
}
const bill = (more: object = {}) =>
  answerTo(billQuestion, { ...given, ...more }) as {
    annual: number
    months: { lines: { name: string; amount: number }[]; total: number }[]
  }

test('January line by line, and the year', () => {
  const { annual, months } = bill()
  expect(months).toHaveLength(12)
  expect(months[0]?.lines.map(({ name, amount }) => [name, Math.round(amount * 1e6) / 1e6])).toEqual([
    ['Monthly fixed charge', 10],
    ['Peak', 46],
    ['Energy', 125.8],
    ['Exports', -18.6],
  ])
  expect(months[0]?.total).toBeCloseTo(163.2, 9)
  expect(annual).toBeCloseTo(
    months.reduce((sum, { total }) => sum + total, 0),
    9,
  )
})

test('quarter-hours, a leap year, a zone of half an hour', () => {
  const quarters = (n: number) => new Array<number>(n).fill(0.25)
  const half = { timeZone: 'Australia/Adelaide', buyKwh: quarters(35_040), sellKwh: undefined }
  expect(bill({ ...half, tariff: { pricePerKwh: 0.2 } }).annual).toBeCloseTo(8760 * 0.2, 6)
  const leap = { year: 2024, buyKwh: quarters(35_136), sellKwh: undefined, tariff: { pricePerKwh: 1 } }
  expect(bill(leap).months[1]?.total).toBeCloseTo(29 * 24, 6)
})

test.each([
  [{ timeZone: 'Mars/Olympus' }, 'timeZone'],
  [{ buyKwh: [1, 2, 3] }, 'buyKwh'],
  [{ year: 2024 }, 'buyKwh'],
  [{ buyKwh: [] }, 'buyKwh'],
  [{ sellKwh: [1] }, 'sellKwh'],
  [{ tariff: {} }, 'tariff.pricePerKwh'],
  [{ tariff: { ...tariff, periods: [{ ...tariff.periods[0], toHour: 25 }] } }, 'tariff.periods.0.toHour'],
  [{ tariff: { ...tariff, exports: { kind: 'net-billing', intervals: [1] } } }, 'tariff.exports.intervals'],
  [
    { tariff: { ...tariff, tiers: { per: 'month', steps: [{ upToKwh: 100, addPerKwh: 0.1 }] } } },
    'tariff.tiers.steps',
  ],
  [{ tariff: { ...tariff, holidays: ['4 July'] } }, 'tariff.holidays.0'],
])('bad input %# is named', (more, path) => {
  expect.assertions(2)
  try {
    bill(more)
  } catch (error) {
    expect(error).toBeInstanceOf(Fault)
    expect((error as Fault).path).toBe(path)
  }
})
