import { job, runOf, set, withBattery, worldOf } from '@/town/testing'
import { loadId, type AddedLoad } from '../kinds/load/load'
import { storageId } from '../kinds/storage/storage'
import { loadThenStage } from '../stages/load'
import { backedLoad } from './backed-load'

const named = (id: string) => ({ id, name: id, on: true })
const added: readonly AddedLoad[] = [
  { ...named('pump'), what: 'heating', kwhPerYear: 3000, baseC: 15 },
  {
    ...named('car'),
    what: 'car',
    kwhPerYear: 2000,
    chargerKw: 7,
    fromHour: 8,
    toHour: 7,
    charging: 'on-surplus',
  },
  { ...named('pool'), what: 'hours', kwhPerYear: 500, fromHour: 10, toHour: 16, months: [], on: false },
  { ...named('old-fridge'), what: 'hours', kwhPerYear: -300, fromHour: 0, toHour: 24, months: [] },
]
const sum = (values: Float64Array) => values.reduce((all, value) => all + value, 0)

/** What stays on in a year, and the house's whole. */
async function backed(backup: { kw: number; share: number; loads: readonly string[] }) {
  const world = await worldOf(set(job.house, loadId, { added }), set(withBattery, storageId, { backup }))
  const run = runOf(world)
  return { kwh: backedLoad(run, world), whole: run.value(loadThenStage).loadKwh }
}

test('so much all the time, what is chosen, and a share of the rest', async () => {
  const year = async (kw: number, share: number, ...loads: string[]) =>
    sum((await backed({ kw, share, loads })).kwh)
  expect(await year(0.3, 0)).toBeCloseTo(0.3 * 8760, 6)
  expect(await year(0, 0, 'pump')).toBeCloseTo(3000, 6)
  expect(await year(0, 0, 'pump', 'car')).toBeCloseTo(5000, 6)
  const { kwh, whole } = await backed({ kw: 0, share: 0.5, loads: ['car'] })
  expect(sum(kwh)).toBeCloseTo(2000 + 0.5 * (sum(whole) - 2000), 6)
  // All of a house with its car is the house.
  const all = await backed({ kw: 0, share: 1, loads: ['car'] })
  expect(Math.max(...all.kwh.map((own, i) => Math.abs(own - (all.whole[i] ?? NaN))))).toBeLessThan(1e-9)
})

test('what does not count, what is there no longer and what goes are nothing', async () => {
  const none = await backed({ kw: 0.1, share: 0.2, loads: [] })
  const some = await backed({ kw: 0.1, share: 0.2, loads: ['pool', 'gone', 'old-fridge'] })
  expect(some.kwh).toEqual(none.kwh)
})
