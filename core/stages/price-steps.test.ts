import { steppedBills } from '../finance/price-steps'
import { pricePerWattFor } from '../finance/target'
import { financeStage, yearsStage } from './finance'
import { powerStage } from './power'
import { pricedIn } from './prices'
import { stringsStage } from './strings'
import { offerIn, tariffNowIn, tariffThenIn } from './world'
import { billNowStage } from './bills'
import { freshGraph, job, option, set, worldOf } from '@/town/testing'

test('prices of later years are in the cash flow from their year on, and not before', async () => {
  const graph = freshGraph()
  const priceSteps = [{ year: 2030, factor: 1.3 }]
  const moneyWith = async (...ids: string[]) => {
    const house = ids.reduce((own, id) => set(own, id, { priceSteps }), job.house)
    const run = graph.open(await worldOf(house, option))
    await run.prepare([financeStage, billNowStage], { atMostMs: 1e6, pause: async () => true })
    return { money: run.value(financeStage), now: run.value(billNowStage).annual }
  }
  const plain = await moneyWith()
  const stepped = await moneyWith('tariff-now')
  const { escalation } = offerIn(await worldOf(job.house, option))
  // The first year is 2025, after a year 0: the sixth is the first with the step.
  const before = stepped.money.years.map(({ billBefore }) => billBefore)
  expect(before[5]).toBeCloseTo(plain.now * (1 + escalation) ** 4, 6)
  expect(before[6]).toBeCloseTo(plain.now * 1.3 * (1 + escalation) ** 5, 6)
  expect(stepped.money.years[6]?.billAfter).toBe(plain.money.years[6]?.billAfter)
  expect(stepped.money.npv).toBeGreaterThan(plain.money.npv)
  const both = await moneyWith('tariff-now', 'tariff-then')
  const after = (of: typeof plain) => of.money.years.map(({ billAfter }) => billAfter)
  expect(after(both)[5]).toBe(after(plain)[5])
  expect(Math.abs(after(both)[6] ?? 0)).toBeGreaterThan(Math.abs(after(plain)[6] ?? 0))
  expect(both.now).toBe(plain.now)
}, 60_000)

test('the price for a payback is the one that has it, with prices that go up', async () => {
  const priceSteps = [{ year: 2027, factor: 1.4 }]
  const house = set(set(job.house, 'tariff-now', { priceSteps }), 'tariff-then', { priceSteps })
  const world = await worldOf(house, option)
  const run = freshGraph().open(world)
  const { paybackYears } = run.value(financeStage)
  const { offer: _offer, ...equipment } = pricedIn(world)
  const { count, powerW } = run.value(powerStage)
  const { inverters, optimized } = run.value(stringsStage)
  const tariffs = { now: tariffNowIn(world), then: tariffThenIn(world) }
  const found = pricePerWattFor(
    {
      offer: offerIn(world),
      priced: { ...equipment, modules: count, inverters, optimizers: optimized.length, parts: null, powerW },
      ...steppedBills(tariffs, run.value(billNowStage).annual, run.value(yearsStage)),
    },
    { what: 'payback', years: paybackYears ?? NaN },
  )
  expect(found).toBeCloseTo(offerIn(world).pricePerWatt, 4)
}, 60_000)
