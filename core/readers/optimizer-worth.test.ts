import { freshGraph, job, option, set, without, worldOf } from '@/town/testing'
import { electricalId } from '../kinds/electrical/electrical'
import { acStage } from '../stages/ac'
import { financeStage, priceStage } from '../stages/finance'
import { optimizerWorths } from './optimizer-worth'

const patience = { atMostMs: 1000, pause: () => Promise.resolve(true) }
const world = await worldOf(job.house, option)
const graph = freshGraph()
const told: number[] = []
const found = await optimizerWorths(graph, world, patience, (rows, all) => told.push(all - rows.length))

test('none and more and more of the most shaded, each worth what the chain says once it is taken', async () => {
  expect(found.map(({ count }) => count).toSorted((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 6, 8, 11, 15, 17])
  expect(told).toEqual(found.map((_, k) => found.length - 1 - k))
  expect(found.filter(({ isNow }) => isNow)).toMatchObject([{ count: 0, price: 0 }])
  for (const worth of [found[0], found.at(-1)]) {
    if (!worth) throw new Error('there are some')
    const run = freshGraph().open(await worldOf(job.house, set(option, electricalId, worth.set)))
    expect(run.value(acStage).kwh).toBe(worth.annualKwh)
    expect(run.value(financeStage).npv).toBe(worth.npv)
    expect(run.value(priceStage).optimizers).toBe(worth.price)
  }
})

test('the best for the money comes first; the more there are, the less mismatch, and each count holds the ones before', () => {
  expect(found.map(({ npv }) => npv)).toEqual(found.map(({ npv }) => npv).sort((a, b) => b - a))
  const byCount = found.toSorted((a, b) => a.count - b.count)
  byCount.forEach((worth, k) => {
    const before = byCount[k - 1]
    if (!before) return
    expect(worth.mismatchKwh).toBeLessThan(before.mismatchKwh)
    expect(worth.price).toBeGreaterThan(before.price)
    expect(worth.set.optimizersAt ?? before.set.optimizersAt ?? []).toEqual(
      expect.arrayContaining([...(before.set.optimizersAt ?? [])]),
    )
  })
})

test('a choice of one’s own stands among them as it is now, and is not tried twice', async () => {
  const four = found.find(({ count }) => count === 4)
  if (!four?.set.optimizersAt) throw new Error('four of them were tried')
  const of = async (fields: object) =>
    optimizerWorths(freshGraph(), await worldOf(job.house, set(option, electricalId, fields)), patience)
  const same = await of({ ...four.set, optimizersAt: four.set.optimizersAt.toReversed() })
  expect(same).toHaveLength(found.length)
  expect(same.filter(({ isNow }) => isNow)).toMatchObject([{ count: 4, annualKwh: four.annualKwh }])
  const other = await of({
    optimizerId: 'thrushfield-one-600',
    optimizersAt: four.set.optimizersAt.slice(1, 3),
  })
  expect(other).toHaveLength(found.length + 1)
  expect(other.find(({ isNow }) => isNow)?.count).toBe(2)
  expect(
    other.every(({ set: { optimizerId } }) => optimizerId === null || optimizerId === 'thrushfield-one-600'),
  ).toBe(true)
}, 60_000)

test('microinverters and bare roofs have nothing to compare', async () => {
  const micro = set(option, electricalId, { inverterId: 'tarnbeck-300' })
  const bare = without(without(option, 'array-south'), 'array-west')
  for (const objects of [micro, bare])
    expect(await optimizerWorths(freshGraph(), await worldOf(job.house, objects), patience)).toEqual([])
})
