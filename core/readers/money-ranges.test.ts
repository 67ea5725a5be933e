import { unknowns } from '../finance/ranges'
import { Overtaken } from '../graph/run'
import { offerId, type Offer } from '../kinds/offer/offer'
import { electricalId } from '../kinds/electrical/electrical'
import { storageId } from '../kinds/storage/storage'
import { offerIn, type World } from '../stages/world'
import { financeStage } from '../stages/finance'
import { freshGraph, job, option, set, withBattery, worldOf } from '@/town/testing'
import { rangesOfMoney } from './money-ranges'

const graph = freshGraph()
const patient = { atMostMs: 1000, pause: async () => true }
const certain = { yieldModel: 0, priceGrowth: 0, loadGrowth: 0, degradation: 0 }
const spread = 0.03
/** Prices that go up in the sixth year. */
const dearer = ['tariff-now', 'tariff-then'].reduce(
  (house, id) => set(house, id, { priceSteps: [{ year: 2030, factor: 1.3 }] }),
  job.house,
)
const worldWith = async (
  objects: typeof option,
  fields: Partial<Offer>,
  house = job.house,
): Promise<World> => {
  const world = await worldOf(house, set(objects, offerId, fields))
  return { ...world, station: { ...world.station, yearSpread: spread } }
}

test.each([
  ['without a battery', option, job.house],
  ['with prices that go up', option, dearer],
  ['with a battery that fades and is replaced', withBattery, job.house],
  ['with one that goes by prices', set(withBattery, storageId, { rule: 'by-tariff' }), job.house],
  [
    'with one that takes what would be clipped',
    set(set(withBattery, electricalId, { inverterId: 'tamsin-5' }), storageId, {
      ...{ batteryId: 'kestrelite-tower-6', rule: 'by-forecast' },
    }),
    job.house,
  ],
] as const)(
  'where nothing is unknown, %s, the ranges are the figures of the chain',
  async (_name, objects, house) => {
    const world = await worldWith(objects, { ranges: certain }, house)
    const still = { ...world, station: { ...world.station, yearSpread: 0 } }
    const run = graph.open(still)
    await run.prepare([financeStage], patient)
    const money = run.value(financeStage)
    const found = await rangesOfMoney(graph, still, patient)
    for (const share of ['p10', 'p50', 'p90'] as const) {
      expect(found.npv[share] / money.npv).toBeCloseTo(1, 1)
      // Bills are read between nodes of yield and battery: a fraction of a percent of what is saved.
      const saved = money.years.reduce((sum, year) => sum + year.saved, 0)
      expect(Math.abs(found.left[share] - (money.cumulative.at(-1) ?? NaN)) / saved).toBeLessThan(0.002)
      expect(Math.abs((found.paybackYears[share] ?? NaN) - (money.paybackYears ?? NaN))).toBeLessThan(0.05)
    }
  },
)

test('the shipped option: the middle is near the offer, and more unknown is wider', async () => {
  const world = await worldWith(option, {})
  const run = graph.open(world)
  await run.prepare([financeStage], patient)
  const { paybackYears } = run.value(financeStage)
  const found = await rangesOfMoney(graph, world, patient)
  expect(Math.abs((found.paybackYears.p50 ?? NaN) - (paybackYears ?? NaN))).toBeLessThan(0.6)
  expect(found.paybackYears.p10).toBeLessThan(found.paybackYears.p50 ?? NaN)
  expect(found.paybackYears.p50).toBeLessThan(found.paybackYears.p90 ?? NaN)
  expect(found.movers.map(({ what }) => what).sort()).toEqual([...unknowns].sort())
  const { ranges } = offerIn(world)
  const wider = await worldWith(option, { ranges: { ...ranges, priceGrowth: 2 * ranges.priceGrowth } })
  const spreadOf = ({ left }: typeof found) => left.p10 - left.p90
  expect(spreadOf(await rangesOfMoney(graph, wider, patient))).toBeGreaterThan(spreadOf(found))
  // The same every time.
  expect(await rangesOfMoney(graph, world, patient)).toEqual(found)
})

test('given up when there is a newer state', async () => {
  const world = await worldWith(option, {})
  let left = 20
  const impatient = { atMostMs: 0, pause: async () => left-- > 0 }
  await expect(rangesOfMoney(graph, world, impatient)).rejects.toBeInstanceOf(Overtaken)
})
