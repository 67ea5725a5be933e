import fc from 'fast-check'
import { defaultOffer, type Incentive, type Offer } from '../kinds/offer/offer'
import { priceOf } from './price'

const rebate: Incentive = { name: 'Rebate', kind: 'share', share: 0.3, of: 'all', cap: null, taxed: false }
const offer: Offer = {
  ...defaultOffer,
  pricePerWatt: 2,
  equipment: 'in-price',
  pricePerBattery: 5000,
  incentives: [rebate],
}
const equipment = {
  modules: 15,
  powerW: 6000,
  modulePrice: 200,
  inverterPrice: 1500,
  inverters: 1,
  optimizerPrice: 0,
  optimizers: 0,
  parts: null,
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
    replaced: { inverter: 1350, battery: 10_800 },
  })
  const nothing = priceOf(listed, { ...equipment, modules: 0, powerW: 0, batteries: 0 })
  expect(nothing).toMatchObject({ total: 0, net: 0, replaced: { inverter: null, battery: null } })
})

test('with the prices of the parts list by hand: all parts for their own, the rest by the watt', () => {
  const parts = { solar: 5000, battery: 9000, unpriced: 2 }
  const by = { ...offer, equipment: 'parts', listShare: 1.1, pricePerBattery: null, markup: 0.1 } as const
  expect(priceOf(by, { ...equipment, parts })).toMatchObject({
    work: 12_000,
    modules: 0,
    inverter: 0,
    optimizers: 0,
    listed: 5500,
    batteries: 9900,
    parts: { solar: 19_250, battery: 10_890 },
    total: expect.closeTo(30_140, 6) as number,
  })
  // A price of one's own for a battery holds; without modules a battery has its list price.
  expect(priceOf({ ...by, pricePerBattery: 5000 }, { ...equipment, parts }).batteries).toBe(10_000)
  const none = { solar: 0, battery: 0, unpriced: 0 }
  expect(priceOf(by, { ...equipment, modules: 0, powerW: 0, parts: none }).batteries).toBeCloseTo(13_200, 9)
  // As long as nobody has counted them, list prices hold.
  const listed = priceOf({ ...by, equipment: 'listed' }, equipment)
  expect(priceOf(by, equipment)).toEqual(listed)
})

test('the price by hand: 6 kW at 2 a watt, two batteries of 5000, 30 % back', () => {
  expect(priceOf(offer, equipment)).toMatchObject({
    work: 12_000,
    modules: 0,
    inverter: 0,
    batteries: 10_000,
    total: 22_000,
    incentive: 6600,
    net: 15_400,
  })
})

test('what is added, the margin and the tax by hand: (12000 + 10000 + 1500 − 300) 1.1 × 1.06', () => {
  const price = priceOf(
    {
      ...offer,
      adders: [
        { name: 'Trench', amount: 1500 },
        { name: 'Discount', amount: -300 },
      ],
      markup: 0.1,
      salesTax: 0.06,
      incentives: [],
    },
    equipment,
  )
  expect(price.markup).toBeCloseTo(2320, 9)
  expect(price.salesTax).toBeCloseTo(25_520 * 0.06, 9)
  expect(price.total).toBeCloseTo(27_051.2, 9)
  expect(price.parts.solar).toBeCloseTo(13_200 * 1.166, 9)
  expect(price.parts.battery).toBeCloseTo(11_660, 9)
})

test('each kind of what comes back at once: of its part, up to its cap, never more than the price', () => {
  const back = (...incentives: Incentive[]) =>
    priceOf({ ...offer, incentives }, equipment).paidBack.map(({ amount }) => amount)
  expect(back({ ...rebate, of: 'battery' })).toEqual([3000])
  expect(back({ ...rebate, of: 'solar', cap: 2500 })).toEqual([2500])
  expect(back({ name: 'kW', kind: 'per-kw', perKw: 150, cap: null, taxed: true })).toEqual([900])
  expect(back({ name: 'Sum', kind: 'fixed', amount: 400, taxed: false }, rebate)).toEqual([400, 6600])
  expect(back({ name: 'Sum', kind: 'fixed', amount: 20_000, taxed: false }, rebate)).toEqual([20_000, 2000])
  const later: Incentive = {
    name: 'Credit',
    kind: 'tax-credit',
    share: 0.3,
    of: 'all',
    cap: null,
    taxPerYear: null,
    years: 1,
  }
  expect(back(later)).toEqual([])
})

test('parts add up to the price, and what comes back never passes it', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 3000 }),
      fc.integer({ min: -4000, max: 4000 }),
      fc.integer({ min: 0, max: 30_000 }),
      fc.integer({ min: 0, max: 100 }),
      (work, added, fixed, share) => {
        const price = priceOf(
          {
            ...offer,
            pricePerWatt: work / 1000,
            adders: [{ name: 'Work', amount: added }],
            markup: share / 100,
            salesTax: 0.07,
            incentives: [{ name: 'Sum', kind: 'fixed', amount: fixed, taxed: false }, rebate],
          },
          equipment,
        )
        const { parts, total, incentive, net } = price
        expect(parts.solar + parts.battery).toBeCloseTo(total, 6)
        const bare = price.work + price.modules + price.inverter + price.batteries + price.adders
        expect(bare + price.markup + price.salesTax).toBeCloseTo(total, 6)
        expect(incentive).toBeLessThanOrEqual(Math.max(0, total) + 1e-9)
        expect(net).toBeCloseTo(total - incentive, 9)
      },
    ),
    { seed: 16, numRuns: 1000 },
  )
})
