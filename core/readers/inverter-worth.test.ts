import { freshGraph, job, option, set, without, worldOf } from '@/town/testing'
import { acStage } from '../stages/ac'
import { financeStage } from '../stages/finance'
import { electricalId } from '../kinds/electrical/electrical'
import { panelsOf } from '../site/site'
import { siteStage } from '../stages/site'
import { inverterWorths } from './inverter-worth'

const patience = { atMostMs: 1000, pause: () => Promise.resolve(true) }

test('each is worth what the chain says when it is chosen; what breaks nothing comes first, the best of it on top', async () => {
  const world = await worldOf(job.house, option)
  const graph = freshGraph()
  const found = await inverterWorths(graph, world, patience)
  expect(found.map(({ id }) => id).sort()).toEqual(world.catalogue.inverters.map(({ id }) => id).sort())
  const sound = found.filter(({ breaks }) => breaks === null)
  expect(sound.length).toBeGreaterThan(2)
  expect(found.slice(0, sound.length)).toEqual(sound)
  expect(sound.map(({ npv }) => npv)).toEqual(sound.map(({ npv }) => npv).sort((a, b) => b - a))
  for (const worth of [found[0], found.at(-1)]) {
    if (!worth) throw new Error('there are inverters')
    const other = await worldOf(job.house, set(option, electricalId, { inverterId: worth.id }))
    const run = freshGraph().open(other)
    expect(worth.annualKwh).toBe(run.value(acStage).kwh)
    expect(worth.clippedKwh).toBe(run.value(acStage).clippedKwh)
    expect(worth.npv).toBe(run.value(financeStage).npv)
    const watts = panelsOf(run.value(siteStage)).length * 420
    const { acPowerW } = world.catalogue.inverters.find(({ id }) => id === worth.id) ?? { acPowerW: NaN }
    expect(worth.dcAc).toBeCloseTo(watts / acPowerW, 9)
  }
  // 7.14 kW of modules are more than a 2.5 kW inverter may have.
  expect(found.find(({ id }) => id === 'brannock-2500')?.breaks).not.toBeNull()
  expect(found.find(({ id }) => id === 'brannock-2500')?.clippedKwh).toBeGreaterThan(500)
})

test('without modules there is nothing to rank', async () => {
  const bare = Object.values(option)
    .filter(({ kind }) => kind === 'array')
    .reduce((objects, { id }) => without(objects, id), option)
  const told: [number, number][] = []
  const tell = (rows: readonly unknown[], all: number) => told.push([rows.length, all])
  expect(await inverterWorths(freshGraph(), await worldOf(job.house, bare), patience, tell)).toEqual([])
  // Whoever waits is told that there is nothing to wait for.
  expect(told).toEqual([[0, 0]])
})
