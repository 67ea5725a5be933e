import fc from 'fast-check'
import { defaultLoad, type CustomerBill, type Load } from '../kinds/load/load'
import { tariffFormSchema } from '../kinds/tariff/form'
import { dayCount, dayOfCount } from '../model/day'
import { consumptionFrom, customerBills } from './customer-bills'

const place = { timeZone: 'America/New_York', latitudeDeg: 41.6 }
const flat = tariffFormSchema.parse({ pricePerKwh: 0.25, fixedPerMonth: 12 })
const timeOfUse = tariffFormSchema.parse({
  pricePerKwh: 0.2,
  fixedPerDay: 0.4,
  periods: [{ name: 'Peak', days: 'weekday', fromHour: 16, toHour: 21, pricePerKwh: 0.45 }],
  taxes: [{ name: 'City', share: 0.05 }],
})
const bill = (from: string, to: string, kwh: number, money: number | null = null): CustomerBill => ({
  from,
  to,
  kwh,
  money,
})
const withBills = (bills: readonly CustomerBill[]): Load => ({ ...defaultLoad, bills: [...bills] })
const threeBills = [
  bill('2025-01-10', '2025-02-09', 620),
  bill('2025-02-10', '2025-03-12', 540),
  bill('2025-05-13', '2025-06-12', 380),
]

test('by hand: a charge by the month and one price', () => {
  const found = customerBills(withBills([bill('2025-04-16', '2025-05-15', 500, 140)]), flat, place)
  // 15 of April's 30 days and 15 of May's 31.
  const computed = 12 * (15 / 30 + 15 / 31) + 500 * 0.25
  expect(found?.bills[0]?.computed).toBeCloseTo(computed, 9)
  expect(found?.bills[0]).toMatchObject({ index: 0, days: 30, kwh: 500, money: 140 })
  expect(found?.difference).toMatchObject({ billed: 140, ofBills: null, ofTariff: null, byDay: 0, byKwh: 0 })
  expect(found?.difference?.rest).toBeCloseTo(140 - computed, 9)
})

test('evenings are in the peak as the shape has them, and not at all for what uses nothing then', () => {
  const price = (shape: Load['shape']) => {
    const load = { ...withBills([bill('2025-03-01', '2025-03-31', 300)]), shape }
    return (
      customerBills(load, timeOfUse, place)?.bills[0]?.lines.find(({ name }) => name === 'Peak')?.amount ?? 0
    )
  }
  expect(price('evening')).toBeGreaterThan(price('at-home'))
  expect(price('at-home')).toBeGreaterThan(price('night-car'))
})

test('bills of the tariff itself differ by nothing, and what they are dearer by is found again', () => {
  const computed = customerBills(withBills(threeBills), timeOfUse, place)?.bills ?? []
  const dearer = (perDay: number, perKwh: number) =>
    customerBills(
      withBills(
        threeBills.map((one, k) => {
          const { days = 0, computed: own = 0 } = computed[k] ?? {}
          return { ...one, money: own + perDay * days + perKwh * (one.kwh ?? 0) }
        }),
      ),
      timeOfUse,
      place,
    )?.difference
  expect(dearer(0, 0)?.billed).toBeCloseTo(dearer(0, 0)?.computed ?? NaN, 9)
  const found = dearer(0.15, 0.03)
  expect(found?.byDay).toBeCloseTo(0.15 * 93, 6)
  expect(found?.byKwh).toBeCloseTo(0.03 * 1540, 6)
  expect(found?.rest).toBeCloseTo(0, 6)
  expect((found?.ofBills?.perKwh ?? 0) - (found?.ofTariff?.perKwh ?? 0)).toBeCloseTo(0.03, 9)
  expect((found?.ofBills?.perDay ?? 0) - (found?.ofTariff?.perDay ?? 0)).toBeCloseTo(0.15, 9)
})

test('bills that are too few, or all alike, tell no rates; those without money are not compared', () => {
  const priced = threeBills.map((one) => ({ ...one, money: 100 }))
  const of = (bills: readonly CustomerBill[]) => customerBills(withBills(bills), flat, place)?.difference
  expect(of(priced)?.ofBills).not.toBeNull()
  expect(of(priced.slice(0, 2))?.ofBills).toBeNull()
  expect(of(priced.map((one) => ({ ...one, kwh: 500 })))?.ofBills).toBeNull()
  expect(of(priced.map((one) => ({ ...one, kwh: 0 })))?.ofBills).toBeNull()
  expect(of(threeBills)).toBeNull()
  expect(customerBills(defaultLoad, flat, place)).toBeNull()
  const [first, ...others] = threeBills
  if (!first) throw new Error('there are three')
  expect(of([{ ...first, money: 99 }, ...others])?.billed).toBe(99)
})

test('what the year comes to is what the load is set to, and follows the meter’s weekdays', () => {
  const found = customerBills(withBills(threeBills), flat, place)
  if (!found) throw new Error('there are bills')
  const set = consumptionFrom(found.year)
  expect(set.annualKwh).toBe(Math.round(found.year.annualKwh))
  expect(set.byMonth.reduce((sum, kwh) => sum + kwh, 0)).toBeCloseTo(found.year.annualKwh, 0)
  // South of the equator a January is a July.
  const south = customerBills(withBills(threeBills), flat, {
    timeZone: 'Australia/Adelaide',
    latitudeDeg: -35,
  })
  expect(south?.year.annualKwh).not.toBeCloseTo(found.year.annualKwh, 0)
})

test('seeded: any bills have a cost that is finite, and the parts of the difference add up', () => {
  const any = fc
    .record({
      from: fc.integer({ min: 15_000, max: 22_000 }),
      days: fc.integer({ min: 1, max: 400 }),
      kwh: fc.double({ min: 0, max: 5000, noNaN: true }),
      money: fc.option(fc.double({ min: -50, max: 2000, noNaN: true })),
    })
    .map(({ from, days, kwh, money }) => bill(dayOfCount(from), dayOfCount(from + days - 1), kwh, money))
  fc.assert(
    fc.property(
      fc.array(any, { minLength: 1, maxLength: 8 }),
      fc.constantFrom(flat, timeOfUse),
      (bills, tariff) => {
        const found = customerBills(withBills(bills), tariff, place)
        expect(found?.bills.map(({ index }) => index).sort((a, b) => a - b)).toEqual([...bills.keys()])
        found?.bills.forEach((one) => {
          expect(Number.isFinite(one.computed)).toBe(true)
          const [own] = [bills[one.index]]
          const length = dayCount(own?.to ?? '') - dayCount(own?.from ?? '') + 1
          expect([length, length - 1]).toContain(one.days)
        })
        const { difference } = found ?? {}
        if (difference) {
          const { billed, computed, byDay, byKwh, rest } = difference
          expect(billed - computed).toBeCloseTo(byDay + byKwh + rest, 5)
        }
      },
    ),
    { numRuns: 300, seed: 20261130 },
  )
})
