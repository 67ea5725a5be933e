import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { type Objects } from '../kinds/documents'
import { storageId } from '../kinds/storage/storage'
import { tariffThenId } from '../kinds/tariff/tariff'
import { keptOf, type TrimPanel } from '../readers/trim-to'
import { summarise, type RunSummary } from '../readers/summary'
import { panelsOf, type Panel } from '../site/site'
import { billThenStage } from './bills'
import { siteStage } from './site'

const graph = freshGraph()
/** Power is dear late in the day, and cheap to sell. */
const house = set(job.house, tariffThenId, {
  exportPerKwh: 0.02,
  pricePerKwh: 0.16,
  periods: [
    {
      name: 'Evening',
      months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12],
      days: 'all',
      fromHour: 15,
      toHour: 21,
      pricePerKwh: 0.52,
    },
  ],
})
const runFor = async (design: Objects) => {
  const world = await worldOf(house, design)
  const run = runOf(world, graph)
  return { world, run, summary: summarise(run, world) }
}
const lineOf = ({ ledger }: RunSummary, id: string) => ledger.find((line) => line.id === id)?.value ?? 0

const billOf = async (design: Objects) => (await runFor(design)).run.value(billThenStage).annual

/** The shipped option with some of its modules alone. */
const all = (await runFor(option)).run.value(siteStage)
function withOnly(kept: ReadonlySet<string>): Objects {
  const gone = (panels: readonly Panel[]) => panels.filter(({ id }) => !kept.has(id)).map(({ slot }) => slot)
  return all.arrays.reduce(
    (after, { id, panels, empty }) =>
      set(after, id, { removed: [...empty.map(({ slot }) => slot), ...gone(panels)] }),
    option,
  )
}
const ofArray = (id: string, count: number) =>
  (all.arrays.find((array) => array.id === id)?.panels ?? []).slice(0, count).map((panel) => panel.id)
const some = new Set(ofArray('array-south', 9))

/** All choices of `count` of a list. */
function choices<T>(list: readonly T[], count: number): T[][] {
  const [first, ...others] = list
  if (count === 0) return [[]]
  if (first === undefined || list.length < count) return []
  return [...choices(others, count - 1).map((rest) => [first, ...rest]), ...choices(others, count)]
}

test('of nine modules in one string to six, seven and eight: what is kept by money and by light is within 0.5 % of the best of all choices', async () => {
  const { summary } = await runFor(withOnly(some))
  const panels: readonly TrimPanel[] = summary.panels
  expect(panels).toHaveLength(9)
  const without = await billOf(withOnly(new Set()))
  const figures = new Map<string, { readonly saved: number; readonly kwh: number }>()
  const measure = async (ids: readonly string[]) => {
    const key = [...ids].sort().join()
    const known = figures.get(key)
    if (known) return known
    const design = withOnly(new Set(ids))
    const measured = {
      saved: without - (await billOf(design)),
      kwh: lineOf((await runFor(design)).summary, 'yield'),
    }
    figures.set(key, measured)
    return measured
  }
  for (const count of [6, 7, 8]) {
    const every = await Promise.all(
      choices(
        panels.map(({ id }) => id),
        count,
      ).map(measure),
    )
    const best = (of: 'saved' | 'kwh') => Math.max(...every.map((one) => one[of]))
    const byMoney = await measure([...keptOf(panels, count, { by: 'money', unbroken: false })])
    const byLight = await measure([...keptOf(panels, count, { by: 'sun', unbroken: false })])
    expect(byMoney.saved).toBeGreaterThan(best('saved') * 0.995)
    expect(byLight.kwh).toBeGreaterThan(best('kwh') * 0.995)
  }
}, 120_000)

test('at the margin modules bring less than on average: what they would add last is sold, with a battery or without', async () => {
  for (const batteryId of [null, 'kestrelite-10']) {
    const { summary } = await runFor(set(option, storageId, { batteryId, count: 1 }))
    const worth = summary.panels.reduce((sum, panel) => sum + panel.worth, 0)
    expect(panelsOf(all)).toHaveLength(summary.panels.length)
    const stored = { batteryId, count: 1 }
    const saved =
      (await billOf(set(withOnly(new Set()), storageId, stored))) -
      (await billOf(set(option, storageId, stored)))
    expect(worth).toBeGreaterThan(saved * 0.3)
    expect(worth).toBeLessThan(saved)
  }
})
