import fc from 'fast-check'
import { type BatteryRun } from '../battery/battery-run'
import { dispatchOwnUse } from '../battery/own-use'
import { type FormBill } from '../tariff/bill-lines'
import { usualFade } from '../battery/fade'
import { hoursOf } from '../battery/testing'
import { agedYears, type Ageing } from './aged'

const billsOf = (request: Ageing): number[] => agedYears(request).map(({ bill }) => bill)

/** Two hours: one with sun, one without, the same load in both. */
const loadKwh = Float64Array.of(1, 1)
const running =
  (load = loadKwh, exportLimitKw: number | null = null) =>
  ({ yieldKwh }: Pick<Ageing, 'yieldKwh'>, battery: BatteryRun | null) =>
    dispatchOwnUse({ ...hoursOf(yieldKwh, load), exportLimitKw }, battery)
/** Ten a month, a tenth for what goes out. */
const billed =
  (...price: number[]) =>
  (bought: Float64Array, sold: Float64Array): FormBill => {
    const energy = bought.reduce((sum, kwh, i) => sum + kwh * (price[i] ?? 0.25), 0)
    const earned = sold.reduce((sum, kwh) => sum + kwh * 0.1, 0)
    const lines = [
      { code: 'fixed', name: '', amount: 120 },
      { code: 'energy', name: '', amount: energy },
      { code: 'exports', name: '', amount: -earned },
    ] as const
    const annual = 120 + energy - earned
    return { months: [{ lines, total: annual }], annual }
  }
/** One that loses nothing on the way. */
const holding = (usableKwh: number): BatteryRun => ({
  usableKwh,
  chargeKw: 2,
  dischargeKw: 2,
  chargeEfficiency: 1,
  dischargeEfficiency: 1,
  reserve: 0,
})
const hours = {
  yieldKwh: Float64Array.of(3, -0.1),
  clippedKwh: new Float64Array(2),
  battery: null,
  run: running(),
  bill: billed(0.2, 0.3),
  degradation: 0.1,
  batteryFade: usualFade,
  newBattery: [],
  years: 3,
}

test('bills to come by hand: a tenth less sun each year, what the inverter draws at night stays', () => {
  const bills = billsOf(hours)
  const bill = (made: number) => 120 - (made - 1) * 0.1 + 1.1 * 0.3
  expect(bills).toHaveLength(3)
  ;[3, 2.7, 2.43].forEach((made, year) => expect(bills[year]).toBeCloseTo(bill(made), 12))
})

test('a battery carries the day into the night; each year ends with what it began with', () => {
  const battery = holding(4)
  // A full one gives 1.1 at night and takes as much back by day: 0.9 of the two that are over go out.
  const bills = billsOf({ ...hours, battery, degradation: 0 })
  bills.forEach((bill) => expect(bill).toBeCloseTo(120 - 0.9 * 0.1, 12))
  // One that holds a single kWh leaves a tenth to be bought.
  const small = { ...battery, usableKwh: 1 }
  const [first] = billsOf({ ...hours, battery: small, degradation: 0 })
  expect(first).toBeCloseTo(120 - 1 * 0.1 + 0.1 * 0.3, 12)
})

test('no module ages into a smaller bill, and no harder export limit makes one', () => {
  const kwh = fc.array(fc.double({ min: 0, max: 6, noNaN: true }), { minLength: 48, maxLength: 48 })
  fc.assert(
    fc.property(kwh, kwh, fc.double({ min: 0, max: 0.05, noNaN: true }), (made, load, degradation) => {
      const used = Float64Array.from(load)
      const request = {
        yieldKwh: Float64Array.from(made),
        clippedKwh: new Float64Array(made.length),
        run: running(used),
        bill: billed(),
        battery: null,
        batteryFade: usualFade,
        newBattery: [],
        degradation,
        years: 5,
      }
      const bills = billsOf(request)
      for (let year = 1; year < 5; year++)
        expect(bills[year]).toBeGreaterThanOrEqual((bills[year - 1] ?? 0) - 1e-9)
      const tight = billsOf({ ...request, run: running(used, 1) })
      bills.forEach((bill, year) => expect(tight[year]).toBeGreaterThanOrEqual(bill - 1e-9))
    }),
    { seed: 71, numRuns: 60 },
  )
})

test('what is sold and what is made are told beside the bill', () => {
  const [first, second] = agedYears(hours)
  expect(first).toMatchObject({ exported: expect.closeTo(0.2, 12) as number, yieldKwh: 3 })
  expect(second?.exported).toBeCloseTo(0.17, 12)
  expect(second?.yieldKwh).toBeCloseTo(2.7, 12)
})

test('a battery that fades carries less each year, until there is a new one', () => {
  const battery = holding(1)
  // What it holds is what need not be bought at night: 1.1 − 1, 1.1 − 0.5, 1.1 − 0.25, then 1.1 − 1 again.
  const bills = billsOf({
    ...hours,
    battery,
    degradation: 0,
    batteryFade: { perYear: 0.5, perCycle: 0 },
    newBattery: [3],
    years: 4,
  })
  const bill = (held: number) => 120 - (2 - held) * 0.1 + (1.1 - held) * 0.3
  ;[1, 0.5, 0.25, 1].forEach((held, year) => expect(bills[year]).toBeCloseTo(bill(held), 12))
})

test('what would be clipped and is taken by a DC-coupled battery is made too, less of it each year', () => {
  const battery = { ...holding(4), dcSide: { inverterKw: 1, gridEfficiency: 0.9 } }
  const years = agedYears({
    ...hours,
    yieldKwh: Float64Array.of(1, 0),
    clippedKwh: Float64Array.of(0.5, 0),
    battery,
    run: (sun, one) => dispatchOwnUse({ ...hoursOf(sun.yieldKwh, Float64Array.of(0, 5)), ...sun }, one),
    degradation: 0.5,
    years: 2,
  })
  expect(years.map(({ yieldKwh }) => yieldKwh)).toEqual([
    expect.closeTo(1.5, 12) as number,
    expect.closeTo(0.75, 12) as number,
  ])
})

test('each full cycle wears it too, by what it held when new', () => {
  const battery = holding(1)
  // All that it holds goes out once in these two hours: 1 cycle, then 0.9 × 0.8 = 0.72 of one.
  const years = agedYears({
    ...hours,
    battery,
    degradation: 0,
    batteryFade: { perYear: 0.1, perCycle: 0.2 },
    years: 3,
  })
  const second = 0.9 * 0.8
  const third = second * 0.9 * 0.8 ** second
  ;[1, second, third].forEach((held, year) => {
    expect(years[year]?.held).toBeCloseTo(held, 12)
    expect(years[year]?.dischargedKwh).toBeCloseTo(held, 12)
  })
})
