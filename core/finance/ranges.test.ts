import { gaussian, seededRandom } from '../model/random'
import { defaultOffer } from '../kinds/offer/offer'
import { priceOf } from './price'
import { draws, moneyRanges, yearsOfCourse, z90, type RangesCase, type Unknowns } from './ranges'

const certain: Unknowns = { weather: 0, yieldModel: 0, priceGrowth: 0, loadGrowth: 0, degradation: 0 }
const given: RangesCase = {
  offer: {
    ...defaultOffer,
    incentives: [],
    replacements: [],
    upkeepPerYear: 0,
    escalation: 0,
    exportGrowth: 0,
    discountRate: 0,
  },
  price: priceOf(
    { ...defaultOffer, pricePerWatt: 1, equipment: 'in-price', incentives: [] },
    {
      modules: 5,
      powerW: 1000,
      modulePrice: 0,
      inverterPrice: 0,
      inverters: 1,
      optimizerPrice: 0,
      optimizers: 0,
      parts: null,
      batteries: 0,
      batteryPrice: 0,
    },
  ),
  years: 20,
  degradation: 0,
  unknowns: certain,
}
/** A hundred a year for a whole first year's yield. */
const bills = {
  before: ({ used }: { used: number }) => 1000 * used,
  after: ({ made, used }: { made: number; used: number }) => ({
    bill: 1000 * used - 100 * made,
    exported: 0,
    yieldKwh: 1000 * made,
  }),
}
const drawn = draws(4000, given.years, gaussian(seededRandom(3)))

test('where nothing is unknown every course is the offer itself', () => {
  const found = moneyRanges(given, bills, drawn)
  expect(found.paybackYears).toEqual({ p10: 10, p50: 10, p90: 10 })
  expect(found.left.p90).toBeCloseTo(1000, 9)
  expect(found.npv.p10).toBeCloseTo(1000, 9)
  expect([found.paysBack, found.trials]).toEqual([1, 4000])
  expect(found.movers).toEqual([])
})

test('the yield model alone by hand: a tenth of courses make 1.28 deviations more, a tenth so much less', () => {
  const found = moneyRanges({ ...given, unknowns: { ...certain, yieldModel: 0.1 } }, bills, drawn)
  // 2000 are saved over twenty years, a tenth of them a deviation.
  const near = (value: number, expected: number) => expect(Math.abs(value - expected)).toBeLessThan(16)
  // Of four thousand, a tenth's quantile strays by 5.4: three times that.
  near(found.left.p10, 1000 + 200 * z90)
  near(found.left.p50, 1000)
  near(found.left.p90, 1000 - 200 * z90)
  expect(found.paybackYears.p90).toBeCloseTo(10 / (1 - 0.1 * z90), 0)
  const [mover] = found.movers
  expect(mover?.low.paybackYears).toBeCloseTo(10 / (1 - 0.1 * z90), 9)
  expect(mover?.high.paybackYears).toBeCloseTo(10 / (1 + 0.1 * z90), 9)
})

test('weather is drawn for each year by itself, so that years make up for each other', () => {
  const { left } = moneyRanges({ ...given, unknowns: { ...certain, weather: 0.1 } }, bills, drawn)
  expect((left.p10 - left.p90) / 2).toBeCloseTo((200 * z90) / Math.sqrt(20), -1)
})

test('prices, load and what modules lose, each in its own way', () => {
  const moved = (unknowns: Partial<Unknowns>) =>
    moneyRanges({ ...given, unknowns: { ...certain, ...unknowns } }, bills, drawn).movers[0]
  const summed = (growth: number) =>
    Array.from({ length: 20 }, (_, k) => 100 * (1 + growth) ** k).reduce((sum, one) => sum + one, -1000)
  expect(moved({ priceGrowth: 0.02 })?.high.left).toBeCloseTo(summed(0.02 * z90), 6)
  expect(moved({ degradation: 0.005 })?.high.left).toBeCloseTo(summed(-0.005 * z90), 6)
  // Modules do not grow young.
  expect(moved({ degradation: 0.005 })?.low.left).toBeCloseTo(summed(0), 6)
  // What is used more costs the same with and without solar here.
  expect(moved({ loadGrowth: 0.02 })?.high.left).toBeCloseTo(1000, 6)
  const years = yearsOfCourse(
    { ...given, unknowns: { ...certain, loadGrowth: 0.02 } },
    { yieldModel: 0, priceGrowth: 0, loadGrowth: 1.5, degradation: 0, weather: [] },
  )
  expect(years[3]).toEqual({ year: 3, made: 1, used: 1.03 ** 3 })
})

test('what moves payback most stands first, and courses that never pay back are told', () => {
  const poor = {
    ...bills,
    after: (year: { made: number; used: number }) => ({
      ...bills.after(year),
      bill: 1000 * year.used - 51 * year.made,
    }),
  }
  const unknowns = { ...certain, yieldModel: 0.1, weather: 0.1, degradation: 0.001 }
  const found = moneyRanges({ ...given, unknowns }, poor, drawn)
  expect(found.movers.map(({ what }) => what)).toEqual(['yieldModel', 'weather', 'degradation'])
  expect(found.paysBack).toBeGreaterThan(0.3)
  expect(found.paysBack).toBeLessThan(0.6)
  expect(found.paybackYears.p90).toBeNull()
  expect(found.paybackYears.p10).toBeLessThan(20)
})
