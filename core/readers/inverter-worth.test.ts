import { freshGraph, job, option, set, without, worldOf } from '@/town/testing'
import { acStage } from '../stages/ac'
import { financeStage, priceStage } from '../stages/finance'
import { electricalId } from '../kinds/electrical/electrical'
import { panelsOf } from '../site/site'
import { siteStage } from '../stages/site'
import { type World } from '../stages/world'
import { inverterWorths, wantedOf, type InverterWanted } from './inverter-worth'

const patience = { atMostMs: 1000, pause: () => Promise.resolve(true) }

const isMicro = ({ catalogue }: World, id: string) =>
  catalogue.inverters.find((sheet) => sheet.id === id)?.micro !== undefined

test('each is worth what the chain says when it is chosen; what breaks nothing comes first, the best of it on top', async () => {
  const world = await worldOf(job.house, option)
  const graph = freshGraph()
  const found = await inverterWorths(graph, world, patience)
  const single = found.filter(({ id, count }) => count === 1 || isMicro(world, id))
  expect(single.map(({ id }) => id).sort()).toEqual(world.catalogue.inverters.map(({ id }) => id).sort())
  // Two of a kind where both have enough to do: 7.14 kW of modules keep two of 4 kW busy, and not two of 5 kW.
  const two = found.filter((worth) => !single.includes(worth))
  expect(two.map(({ id, count }) => `${count} ${id}`).sort()).toEqual(
    ['brannock-2500', 'brannock-3000', 'brannock-4000', 'halyard-3800'].map((id) => `2 ${id}`),
  )
  const sound = found.filter(({ breaks }) => breaks === null)
  expect(sound.length).toBeGreaterThan(2)
  expect(found.slice(0, sound.length)).toEqual(sound)
  expect(sound.map(({ npv }) => npv)).toEqual(sound.map(({ npv }) => npv).sort((a, b) => b - a))
  for (const worth of [found[0], found.at(-1), two[0]]) {
    if (!worth) throw new Error('there are inverters')
    const other = await worldOf(
      job.house,
      set(option, electricalId, {
        inverterId: worth.id,
        inverterCount: isMicro(world, worth.id) ? 1 : worth.count,
      }),
    )
    const run = freshGraph().open(other)
    expect(worth.annualKwh).toBe(run.value(acStage).kwh)
    expect(worth.clippedKwh).toBe(run.value(acStage).clippedKwh)
    expect(worth.npv).toBe(run.value(financeStage).npv)
    expect(worth.price).toBe(run.value(priceStage).total)
    const watts = panelsOf(run.value(siteStage)).length * 420
    const { acPowerW } = world.catalogue.inverters.find(({ id }) => id === worth.id) ?? { acPowerW: NaN }
    expect(worth.dcAc).toBeCloseTo(watts / (worth.count * acPowerW), 9)
  }
  // 7.14 kW of modules are more than a 2.5 kW inverter may have.
  expect(single.find(({ id }) => id === 'brannock-2500')?.breaks).not.toBeNull()
  expect(single.find(({ id }) => id === 'brannock-2500')?.clippedKwh).toBeGreaterThan(500)
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

test('a ranking is narrowed by electronics, phases, ratio and rules, its order kept', async () => {
  const world = await worldOf(job.house, option)
  const found = await inverterWorths(freshGraph(), world, patience)
  const { inverters } = world.catalogue
  const everything: InverterWanted = {
    electronics: 'any',
    phases: 'any',
    leastDcAc: 0,
    mostDcAc: Infinity,
    soundOnly: false,
    hybridOnly: false,
  }
  const ids = (wanted: Partial<InverterWanted>, among = found) =>
    wantedOf(among, inverters, { ...everything, ...wanted }).map(({ id }) => id)
  const sheetOf = (id: string) => inverters.find((sheet) => sheet.id === id)
  expect(ids({})).toEqual(found.map(({ id }) => id))
  const [micro, strings] = [ids({ electronics: 'at-modules' }), ids({ electronics: 'strings' })]
  expect(micro.every((id) => sheetOf(id)?.micro)).toBe(true)
  expect(micro.length).toBeGreaterThan(2)
  expect([...micro, ...strings].toSorted()).toEqual(found.map(({ id }) => id).toSorted())
  expect(ids({ phases: 3 })).toEqual(strings.filter((id) => sheetOf(id)?.phases === 3))
  expect([...ids({ phases: 1 }), ...ids({ phases: 3 })].toSorted()).toEqual(ids({}).toSorted())
  for (const [leastDcAc, mostDcAc] of [
    [1, 1.25],
    [1.19, 1.19],
  ] as const)
    expect(ids({ leastDcAc, mostDcAc })).toEqual(
      found.filter(({ dcAc }) => dcAc >= leastDcAc && dcAc <= mostDcAc).map(({ id }) => id),
    )
  expect(ids({ leastDcAc: 1, mostDcAc: 1.25 }).length).toBeGreaterThan(1)
  const hybrids = ids({ hybridOnly: true })
  expect(hybrids.length).toBeGreaterThan(2)
  expect(hybrids).toEqual(found.filter(({ id }) => sheetOf(id)?.batteryPort).map(({ id }) => id))
  expect(ids({ soundOnly: true })).toEqual(found.filter(({ breaks }) => !breaks).map(({ id }) => id))
  // With an optimizer at each module all are electronics at modules; with some of them the strings stay strings.
  const few = { ...world, catalogue: { ...world.catalogue, inverters: inverters.slice(0, 2) } }
  const ranked = async (fields: object) => {
    const other = set(option, electricalId, { optimizerId: 'thrushfield-one-430', ...fields })
    return inverterWorths(freshGraph(), { ...few, option: other }, patience)
  }
  const all = await ranked({ optimizersAt: null })
  expect(ids({ electronics: 'at-modules' }, all)).toEqual(all.map(({ id }) => id))
  const some = await ranked({ optimizersAt: ['array-south/0:0'] })
  expect(ids({ electronics: 'strings' }, some)).toEqual(some.map(({ id }) => id))
}, 30_000)
