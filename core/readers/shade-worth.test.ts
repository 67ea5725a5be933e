import { freshGraph, job, option, runOf, worldOf } from '@/town/testing'
import { worthOfLight } from './shade-worth'
import { summarise, type RunSummary } from './summary'

const world = await worldOf(job.house, option)
const summary = summarise(runOf(world, freshGraph()), world)

test('all the light that is left is worth the whole saving of the first year', () => {
  const left = summary.panels.reduce((sum, { sunKwhM2 }) => sum + sunKwhM2, 0)
  const saving = summary.ledger.find(({ id }) => id === 'saving')?.value ?? NaN
  const nominal = (left * summary.powerW) / summary.count / 1000
  expect(worthOfLight(summary) * nominal).toBeCloseTo(saving, 0)
  expect(worthOfLight(summary)).toBeGreaterThan(0.05)
})

test('by hand: 1,000 kWh of light less 100 and 150 lost, 12 times 10 saved; nothing where no light is', () => {
  const of = (kwh: number) => ({ monthly: [], kwh })
  const chain = (sun: number) => ({
    ...summary.chain,
    sun: of(sun),
    lost: { ...summary.chain.lost, reflection: of(100), shade: of(150) },
  })
  const monthly: RunSummary['monthly'] = {
    ...summary.monthly,
    billBefore: new Array<number>(12).fill(30),
    billAfter: new Array<number>(12).fill(20),
  }
  expect(worthOfLight({ chain: chain(1000), monthly })).toBeCloseTo(120 / 750, 12)
  expect(worthOfLight({ chain: chain(200), monthly })).toBe(0)
})
