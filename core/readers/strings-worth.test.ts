import { freshGraph, job, option, set, without, worldOf } from '@/town/testing'
import { electricalId } from '../kinds/electrical/electrical'
import { acStage } from '../stages/ac'
import { financeStage } from '../stages/finance'
import { lossChainStage } from '../stages/loss-chain'
import { stringsStage } from '../stages/strings'
import { stringsWorths } from './strings-worth'

const patience = { atMostMs: 1000, pause: () => Promise.resolve(true) }
const world = await worldOf(job.house, option)
const graph = freshGraph()
const told: number[] = []
const found = await stringsWorths(graph, world, patience, (rows, all) => told.push(all - rows.length))

test('the present strings stand among the others, each worth what the chain says once it is taken', async () => {
  expect(found.length).toBeGreaterThan(6)
  expect(told).toEqual(found.map((_, k) => found.length - 1 - k))
  const now = found.filter(({ by }) => by === null)
  expect(now).toHaveLength(1)
  expect(now[0]).toMatchObject({ drawn: [], inputs: [[13], [4]], left: 0, breaks: null })
  for (const worth of [found[0], found.at(-1)]) {
    if (!worth) throw new Error('there are ways')
    const run = freshGraph().open(await worldOf(job.house, set(option, electricalId, { drawn: worth.drawn })))
    expect(run.value(acStage).kwh).toBe(worth.annualKwh)
    expect(run.value(financeStage).npv).toBe(worth.npv)
    expect(run.value(lossChainStage).lost.mismatch.kwh).toBe(worth.mismatchKwh)
    const counts = run.value(stringsStage).strings.map(({ panelIds }) => panelIds.length)
    expect(counts).toEqual(worth.inputs.flat())
  }
})

test('what breaks nothing comes first, the best of it on top, and shade with a string of its own is among it', () => {
  const sound = found.filter(({ breaks }) => breaks === null)
  expect(found.slice(0, sound.length)).toEqual(sound)
  expect(sound.map(({ npv }) => npv)).toEqual(sound.map(({ npv }) => npv).sort((a, b) => b - a))
  const now = sound.find(({ by }) => by === null)
  const [best] = sound
  if (!now || !best) throw new Error('the present way breaks nothing')
  expect(best.annualKwh).toBeGreaterThan(now.annualKwh + 50)
  expect(best.mismatchKwh).toBeLessThan(now.mismatchKwh)
  expect(sound.some(({ by }) => by === 'light')).toBe(true)
})

test('microinverters, optimizers and bare roofs have nothing to compare', async () => {
  for (const fields of [{ inverterId: 'tarnbeck-300' }, { optimizerId: 'thrushfield-430' }]) {
    const own = await worldOf(job.house, set(option, electricalId, fields))
    expect(await stringsWorths(freshGraph(), own, patience)).toEqual([])
  }
  const bare = Object.values(option)
    .filter(({ kind }) => kind === 'array')
    .reduce((objects, { id }) => without(objects, id), option)
  expect(await stringsWorths(freshGraph(), await worldOf(job.house, bare), patience)).toEqual([])
})
