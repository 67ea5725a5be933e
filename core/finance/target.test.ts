import fc from 'fast-check'
import { defaultOffer, type Offer } from '../kinds/offer/offer'
import { payback } from './cash'
import { priceOf } from './price'
import { pricePerWattFor, type TargetCase } from './target'
import { flowsOf } from './ways'

const offer: Offer = {
  ...defaultOffer,
  equipment: 'in-price',
  incentives: [],
  replacements: [],
  escalation: 0,
  exportGrowth: 0,
}
const given: TargetCase = {
  offer,
  priced: {
    modules: 10,
    powerW: 4000,
    modulePrice: 0,
    inverterPrice: 0,
    inverters: 1,
    optimizerPrice: 0,
    optimizers: 0,
    parts: null,
    batteries: 0,
    batteryPrice: 0,
  },
  before: Array.from({ length: 20 }, () => 1000),
  after: Array.from({ length: 20 }, () => ({ bill: 200, exported: 0, yieldKwh: 5000 })),
}

test('by hand: 800 saved a year pay 8,000 back in ten years: 2 a watt of 4 kW', () => {
  expect(pricePerWattFor(given, { what: 'payback', years: 10 })).toBeCloseTo(2, 6)
  // 16,000 are saved in all: 4,000 are left of them after 12,000.
  expect(pricePerWattFor(given, { what: 'left', amount: 4000 })).toBeCloseTo(3, 6)
})

test('a target that no price reaches, or every one, has none', () => {
  expect(pricePerWattFor(given, { what: 'left', amount: 16_001 })).toBeNull()
  const costly = { ...given, offer: { ...offer, adders: [{ name: 'Trench', amount: 9000 }] } }
  expect(pricePerWattFor(costly, { what: 'payback', years: 10 })).toBeNull()
  const leased: TargetCase = { ...given, offer: { ...offer, pay: 'lease' } }
  expect(pricePerWattFor(leased, { what: 'payback', years: 10 })).toBeNull()
})

test('at the price found the target is reached, and just above it it is not', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 10, max: 190 }),
      fc.integer({ min: 0, max: 60 }),
      fc.integer({ min: 0, max: 50 }),
      (tenths, permille, percent) => {
        const years = tenths / 10
        const other: Offer = {
          ...offer,
          escalation: permille / 1000,
          incentives: [
            { name: 'Rebate', kind: 'share', share: percent / 100, of: 'all', cap: 2000, taxed: false },
          ],
        }
        const at = pricePerWattFor({ ...given, offer: other }, { what: 'payback', years })
        if (at === null) return
        const back = (pricePerWatt: number) => {
          const priced = { ...other, pricePerWatt }
          return (
            payback(flowsOf({ ...given, offer: priced, price: priceOf(priced, given.priced) })) ?? Infinity
          )
        }
        expect(back(at)).toBeLessThanOrEqual(years)
        expect(back(at + 1e-6)).toBeGreaterThan(years)
      },
    ),
    { seed: 44, numRuns: 500 },
  )
})
