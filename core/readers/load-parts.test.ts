import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { loadId, type AddedLoad } from '../kinds/load/load'
import { loadThenStage } from '../stages/load'
import { loadParts } from './load-parts'

const added: AddedLoad[] = [
  {
    id: 'car-1',
    name: 'Car',
    on: true,
    what: 'car',
    kwhPerYear: 2500,
    chargerKw: 7.2,
    fromHour: 8,
    toHour: 18,
    charging: 'on-surplus',
  },
  { id: 'heating-1', name: 'Heat pump', on: true, what: 'heating', kwhPerYear: 3500, baseC: 15 },
  {
    id: 'hours-1',
    name: 'Pool',
    on: false,
    what: 'hours',
    kwhPerYear: 900,
    fromHour: 9,
    toHour: 15,
    months: [7],
  },
]
const graph = freshGraph()
const partsOf = async (coming: readonly AddedLoad[]) => {
  const world = await worldOf(set(job.house, loadId, { added: coming }), option)
  const run = runOf(world, graph)
  return { parts: loadParts(run, world), whole: run.value(loadThenStage).loadKwh }
}
const sum = (kwh: ArrayLike<number>) => Array.from(kwh).reduce((total, value) => total + value, 0)

test('today’s consumption and what counts of what will come sum to the whole in every interval', async () => {
  const { parts, whole } = await partsOf(added)
  expect(parts.map(({ id }) => id)).toEqual([loadId, 'car-1', 'heating-1'])
  expect(parts.map(({ kwh }) => Math.round(sum(kwh)))).toEqual([11_400, 2500, 3500])
  let worst = 0
  for (let i = 0; i < whole.length; i++) {
    const summed = parts.reduce((total, { kwh }) => total + (kwh[i] ?? NaN), 0)
    worst = Math.max(worst, Math.abs(summed - (whole[i] ?? NaN)))
  }
  expect(worst).toBeLessThan(1e-5)
  expect(whole.length).toBe(8760)
})

test('without anything to come today’s consumption is all there is', async () => {
  const { parts, whole } = await partsOf([])
  expect(parts).toHaveLength(1)
  expect(sum(parts[0]?.kwh ?? [])).toBeCloseTo(sum(whole), 2)
})
