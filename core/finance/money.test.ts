import fc from 'fast-check'
import { dispatchOwnUse, type BatteryRun } from '../battery/own-use'
import { defaultOffer, type Offer } from '../kinds/offer/offer'
import { agedBills, moneyOf, priceOf } from './money'

const offer: Offer = {
  ...defaultOffer,
  pricePerWatt: 2,
  equipment: 'in-price',
  pricePerBattery: 5000,
  incentiveShare: 0.3,
  escalation: 0.1,
  discountRate: 0.05,
  upkeepPerYear: 50,
}

const equipment = {
  modules: 15,
  powerW: 6000,
  modulePrice: 200,
  inverterPrice: 1500,
  batteries: 2,
  batteryPrice: 6000,
}

test('with list prices by hand: a tenth off modules, inverter and batteries, and 2 a watt for the rest', () => {
  const listed = { ...offer, equipment: 'listed', listShare: 0.9, pricePerBattery: null } as const
  expect(priceOf(listed, equipment)).toMatchObject({
    work: 12_000,
    modules: 2700,
    inverter: 1350,
    batteries: 10_800,
    total: 26_850,
  })
  expect(priceOf(listed, { ...equipment, modules: 0, powerW: 0, batteries: 0 }).total).toBe(0)
})

test('the price by hand: 6 kW at 2 a watt, two batteries of 5000, 30 % back', () => {
  expect(priceOf(offer, equipment)).toEqual({
    work: 12_000,
    modules: 0,
    inverter: 0,
    batteries: 10_000,
    total: 22_000,
    incentive: 6600,
    net: 15_400,
  })
})

test('three years by hand: bills and upkeep grow by a tenth, what is ahead adds up', () => {
  const price = { work: 1000, modules: 0, inverter: 0, batteries: 0, total: 1000, incentive: 0, net: 1000 }
  const money = moneyOf(offer, price, 1200, [600, 650, 700])
  expect(money.years[2]?.billBefore).toBeCloseTo(1200 * 1.21, 9)
  expect(money.years[2]?.billAfter).toBeCloseTo(700 * 1.21, 9)
  // 1200 - 600 - 50 = 550; (1200 - 650 - 50) 1.1 = 550; (1200 - 700 - 50) 1.21 = 544.5.
  const ahead = [-1000, -450, 100, 644.5]
  money.cumulative.forEach((value, year) => expect(value).toBeCloseTo(ahead[year] ?? NaN, 9))
  expect(money.npv).toBeCloseTo(-1000 + 550 / 1.05 + 550 / 1.05 ** 2 + 544.5 / 1.05 ** 3, 9)
  // 450 are missing after the first year, and the second brings 550.
  expect(money.paybackYears).toBeCloseTo(1 + 450 / 550, 9)
})

/** Two hours: one with sun, one without, the same load in both. */
const loadKwh = Float64Array.of(1, 1)
const withBattery =
  (battery: BatteryRun | null, load = loadKwh, exportLimitKw: number | null = null) =>
  (yieldKwh: Float64Array) =>
    dispatchOwnUse(yieldKwh, load, 1, battery, exportLimitKw)
/** Ten a month, a tenth for what goes out. */
const billed =
  (...price: number[]) =>
  (bought: Float64Array, sold: Float64Array): number =>
    bought.reduce((sum, kwh, i) => sum + kwh * (price[i] ?? 0.25) - (sold[i] ?? 0) * 0.1, 120)
const hours = {
  yieldKwh: Float64Array.of(3, -0.1),
  run: withBattery(null),
  bill: billed(0.2, 0.3),
  degradation: 0.1,
  years: 3,
}

test('bills to come by hand: a tenth less sun each year, what the inverter draws at night stays', () => {
  const bills = agedBills(hours)
  const bill = (made: number) => 120 - (made - 1) * 0.1 + 1.1 * 0.3
  expect(bills).toHaveLength(3)
  ;[3, 2.7, 2.43].forEach((made, year) => expect(bills[year]).toBeCloseTo(bill(made), 12))
})

test('a battery carries the day into the night; each year ends with what it began with', () => {
  const battery = {
    usableKwh: 4,
    chargeKw: 2,
    dischargeKw: 2,
    chargeEfficiency: 1,
    dischargeEfficiency: 1,
    reserve: 0,
  }
  // A full one gives 1.1 at night and takes as much back by day: 0.9 of the two that are over go out.
  const bills = agedBills({ ...hours, run: withBattery(battery), degradation: 0 })
  bills.forEach((bill) => expect(bill).toBeCloseTo(120 - 0.9 * 0.1, 12))
  // One that holds a single kWh leaves a tenth to be bought.
  const small = { ...battery, usableKwh: 1 }
  const [first] = agedBills({ ...hours, run: withBattery(small), degradation: 0 })
  expect(first).toBeCloseTo(120 - 1 * 0.1 + 0.1 * 0.3, 12)
})

test('no module ages into a smaller bill, and no harder export limit makes one', () => {
  const kwh = fc.array(fc.double({ min: 0, max: 6, noNaN: true }), { minLength: 48, maxLength: 48 })
  fc.assert(
    fc.property(kwh, kwh, fc.double({ min: 0, max: 0.05, noNaN: true }), (made, load, degradation) => {
      const used = Float64Array.from(load)
      const request = {
        yieldKwh: Float64Array.from(made),
        run: withBattery(null, used),
        bill: billed(),
        degradation,
        years: 5,
      }
      const bills = agedBills(request)
      for (let year = 1; year < 5; year++)
        expect(bills[year]).toBeGreaterThanOrEqual((bills[year - 1] ?? 0) - 1e-9)
      const tight = agedBills({ ...request, run: withBattery(null, used, 1) })
      bills.forEach((bill, year) => expect(tight[year]).toBeGreaterThanOrEqual(bill - 1e-9))
    }),
    { seed: 71, numRuns: 60 },
  )
})
