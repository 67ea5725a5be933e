import { offerIn } from './world'
import { financeStage } from './finance'
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
