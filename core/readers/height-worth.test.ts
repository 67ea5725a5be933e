import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { Overtaken } from '../graph/run'
import { theOne } from '../kinds/documents'
import { usualTrees } from '../kinds/tree/tree'
import { shadeBillStage } from '../stages/shade-bill'
import { heightWorths, higherM } from './height-worth'

const patient = { atMostMs: 1e9, pause: () => Promise.resolve(true) }
const { foliage } = theOne(job.house, 'tree', 'tree-2')
const house = set(set(job.house, 'tree-2', usualTrees[foliage]), 'chimney-1', { heightM: 1 })
const lost = async (of: typeof house) =>
  runOf(await worldOf(of, option))
    .value(shadeBillStage)
    .casters.reduce((sum, { kwh }) => sum + kwh, 0)

test('only what still has the height it was put up with, each with the difference of two whole runs', async () => {
  const world = await worldOf(house, option)
  const worths = await heightWorths(freshGraph(), world, patient)
  expect(worths.map(({ id }) => id)).toContain('tree-2')
  expect(worths.map(({ id }) => id)).not.toContain('chimney-1')
  const before = await lost(house)
  for (const { id, heightM, kwh } of worths) {
    const field = 'eaveHeightM' in (house[id] ?? {}) ? 'eaveHeightM' : 'heightM'
    expect(kwh).toBeCloseTo((await lost(set(house, id, { [field]: heightM + higherM }))) - before, 6)
  }
  expect(worths.map(({ kwh }) => kwh)).toEqual([...worths.map(({ kwh }) => kwh)].sort((a, b) => b - a))
  const checked = set(house, 'tree-2', { heightM: 8.2 })
  const rest = await heightWorths(freshGraph(), await worldOf(checked, option), patient)
  expect(rest.map(({ id }) => id)).not.toContain('tree-2')
})

test('what nobody waits for any more is given up', async () => {
  const world = await worldOf(house, option)
  const hasty = { atMostMs: 0, pause: () => Promise.resolve(false) }
  await expect(heightWorths(freshGraph(), world, hasty)).rejects.toBeInstanceOf(Overtaken)
})
