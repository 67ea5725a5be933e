import fc from 'fast-check'
import { dayCount, dayOfCount } from '../model/day'
import { billedYear, spansOf } from './billed-year'

const even = new Float64Array(365).fill(1)
const bill = (from: string, to: string, kwh: number) => ({ from, to, kwh })
/** The sun of a summer: twice as much in July as in January. */
const wavy = Float64Array.from({ length: 365 }, (_, day) => 3 - Math.cos(((day - 15) / 365) * 2 * Math.PI))

test('twelve whole months are taken as they are', () => {
  const lengths = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  const bills = lengths.map((length, m) =>
    bill(
      `2023-${String(m + 1).padStart(2, '0')}-01`,
      `2023-${String(m + 1).padStart(2, '0')}-${length}`,
      100 + m,
    ),
  )
  const year = billedYear(bills, wavy)
  expect(year?.annualKwh).toBeCloseTo(1266, 9)
  year?.byMonth.forEach((kwh, m) => expect(kwh).toBeCloseTo(100 + m, 9))
  expect(year).toMatchObject({ filledDays: 0, gaps: [], overlaps: [] })
  // 100 kWh in January's 31 days are the least a day.
  expect(year?.basePerDay).toBeCloseTo(100 / 31, 9)
  expect(year?.overBase[11]).toBeCloseTo(11, 9)
})

test('a bill over two months is shared out by the shape within it', () => {
  // 16 days of June at 1 and 15 of July at 2: 46 parts.
  const shape = Float64Array.from({ length: 365 }, (_, day) => (day < 181 ? 1 : 2))
  const year = billedYear([bill('2024-06-15', '2024-07-15', 460)], shape)
  // June's fourteen other days and July's sixteen others are filled at the same height.
  expect(year?.byMonth[5]).toBeCloseTo(300, 9)
  expect(year?.byMonth[6]).toBeCloseTo(620, 9)
  expect(year?.filledDays).toBe(365 - 31)
  // 181 days before July, and 184 from then on.
  expect(year?.annualKwh).toBeCloseTo((181 + 2 * 184) * 10, 9)
})

test('a day on which the meter was read for two bills is the later one’s; longer overlaps and gaps are told', () => {
  const bills = [
    bill('2024-03-01', '2024-03-31', 300),
    bill('2024-01-01', '2024-01-31', 310),
    bill('2024-01-31', '2024-02-20', 200),
    bill('2024-03-30', '2024-04-10', 50),
  ]
  expect(spansOf(bills).map(({ index, from, to }) => [index, dayOfCount(from), dayOfCount(to)])).toEqual([
    [1, '2024-01-01', '2024-01-30'],
    [2, '2024-01-31', '2024-02-20'],
    [0, '2024-03-01', '2024-03-31'],
    [3, '2024-03-30', '2024-04-10'],
  ])
  const year = billedYear(bills, even)
  const span = (from: string, to: string) => ({ from: dayCount(from), to: dayCount(to) })
  expect(year?.gaps).toEqual([span('2024-02-21', '2024-02-29')])
  expect(year?.overlaps).toEqual([span('2024-03-30', '2024-03-31')])
})

test('the same days of two years are their mean, and 29 February is a 28th', () => {
  const year = billedYear(
    [bill('2023-01-01', '2023-12-31', 3650), bill('2024-01-01', '2024-12-31', 7320)],
    even,
  )
  // Every day of 2023 has 10, every one of 2024 has 20.
  expect(year?.annualKwh).toBeCloseTo(365 * 15 + 5 / 3, 9)
  expect(year?.filledDays).toBe(0)
})

test('without bills there is no year; one of a day and one of nothing are', () => {
  expect(billedYear([], even)).toBeNull()
  expect(billedYear([bill('2024-02-29', '2024-02-29', 12)], even)?.annualKwh).toBeCloseTo(12 * 365, 6)
  expect(billedYear([bill('2024-05-01', '2024-05-31', 0)], even)?.annualKwh).toBe(0)
  // A shape that uses nothing there is no reason to use nothing.
  const none = new Float64Array(365)
  expect(billedYear([bill('2024-05-01', '2024-05-31', 31)], none)?.annualKwh).toBeCloseTo(365, 9)
})

test('seeded: bills that cut a year anywhere add up to what was cut', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 1, max: 364 }), { maxLength: 12 }),
      fc.integer({ min: 0, max: 364 }),
      fc.array(fc.double({ min: 0, max: 900, noNaN: true }), { minLength: 13, maxLength: 13 }),
      (cuts, turn, amounts) => {
        const first = dayCount('2022-01-01') + turn
        const edges = [0, ...cuts.sort((a, b) => a - b), 365]
        const bills = edges.slice(1).map((edge, k) => ({
          from: dayOfCount(first + (edges[k] ?? 0)),
          to: dayOfCount(first + edge - 1),
          kwh: amounts[k] ?? 0,
        }))
        const year = billedYear(bills, wavy)
        const all = bills.reduce((sum, { kwh }) => sum + kwh, 0)
        expect(year?.annualKwh).toBeCloseTo(all, 6)
        expect(year?.byMonth.reduce((sum, kwh) => sum + kwh, 0)).toBeCloseTo(all, 6)
        expect(year).toMatchObject({ filledDays: 0, gaps: [], overlaps: [] })
      },
    ),
    { numRuns: 1000, seed: 20261130 },
  )
})
