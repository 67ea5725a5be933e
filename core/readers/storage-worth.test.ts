import { Overtaken } from '../graph/run'
import { billThenStage } from '../stages/bills'
import { dispatchStage } from '../stages/dispatch'
import { financeStage } from '../stages/finance'
import { storageId, type Storage } from '../kinds/storage/storage'
import { tariffThenId } from '../kinds/tariff/tariff'
import { storageIn, type World } from '../stages/world'
import { tariffsIn } from '@/town/tariffs'
import { freshGraph, job, set, withBattery, worldOf } from '@/town/testing'
import { offGridSizes } from './off-grid-sizes'
import { isChosen, sizesOf } from './storage-sizes'
import { storageWorths, type StoragePicture } from './storage-worth'

const graph = freshGraph()
const patient = { atMostMs: 1000, pause: async () => true }
/** Three batteries to choose from: what holds of their sizes holds of those of eight. */
const worldWith = async (fields: Partial<Storage>): Promise<World> => {
  const world = await worldOf(job.house, set(withBattery, storageId, fields))
  return { ...world, catalogue: { ...world.catalogue, batteries: world.catalogue.batteries.slice(0, 3) } }
}

test('sizes side by side: each as the chain itself has it, and none earns more than knowing the year would', async () => {
  const world = await worldWith({ rule: 'own-use' })
  const told: StoragePicture[] = []
  const { worths, steps, perKw, backup, offGrid, missing } = await storageWorths(
    graph,
    world,
    patient,
    (found) => told.push(found),
  )
  // Without a grid, each size by itself: known from the first word on, and more storage of a kind serves no less.
  const sizeOf = ({ batteryId, count }: { readonly batteryId: string | null; readonly count: number }) =>
    `${batteryId} ${count}`
  expect(offGrid.map(sizeOf)).toEqual(worths.map(sizeOf))
  expect(told[0]?.offGrid).toBe(offGrid)
  const kept = offGrid.find((size) => isChosen(size, storageIn(world)))
  expect(missing).toHaveLength(8760)
  expect(missing?.reduce((sum, kwh) => sum + kwh, 0)).toBeCloseTo(kept?.unservedKwh ?? NaN, 2)
  for (const size of offGrid) {
    const smaller = offGrid.find(
      ({ batteryId, count }) => batteryId === size.batteryId && count === size.count - 1,
    )
    expect(size.servedShare).toBeGreaterThanOrEqual(smaller?.servedShare ?? offGrid[0]?.servedShare ?? 1)
    // But for what one more draws itself.
    const drawnKw = (world.catalogue.batteries.find(({ id }) => id === size.batteryId)?.standbyW ?? 0) / 1000
    expect(size.generator.kw).toBeLessThanOrEqual((smaller?.generator.kw ?? Infinity) + drawnKw + 1e-9)
  }
  expect(offGrid.at(-1)?.servedShare).toBeGreaterThan((offGrid[0]?.servedShare ?? 1) + 0.2)
  expect(worths).toHaveLength(1 + 3 * world.catalogue.batteries.length)
  expect(told).toHaveLength(worths.length + 1)
  expect(told[0]?.worths).toHaveLength(1)
  const [none] = worths
  expect(none).toMatchObject({ batteryId: null, usableKwh: 0, cycles: 0, ofBest: null })
  const sizes = worths.map(({ usableKwh }) => usableKwh)
  expect(sizes).toEqual([...sizes].sort((a, b) => a - b))

  const chosen = storageIn(world)
  const own = worths.find(({ batteryId, count }) => batteryId === chosen.batteryId && count === chosen.count)
  const run = graph.open(world)
  await run.prepare([billThenStage, financeStage, dispatchStage], patient)
  expect(own?.bill).toBe(run.value(billThenStage).annual)
  expect(own?.npv).toBe(run.value(financeStage).npv)
  expect((own?.cycles ?? 0) * (own?.usableKwh ?? 0)).toBeCloseTo(
    run.value(dispatchStage).discharged.reduce((all, kwh) => all + kwh, 0),
    9,
  )
  for (const { ofBest, bill, batteryId } of worths)
    if (batteryId !== null) {
      expect(ofBest).toBeGreaterThan(0)
      expect(ofBest).toBeLessThanOrEqual(1 + 1e-9)
      expect(bill).toBeLessThan(none?.bill ?? 0)
    }

  // Knowing the year, each further kWh is worth no more than the one before it.
  expect(steps).toHaveLength(10)
  expect(steps?.[0]?.from).toBe(0)
  expect(steps?.at(-1)?.to).toBeCloseTo(2 * (own?.usableKwh ?? 0), 9)
  steps?.forEach(({ atBest }, k) => {
    expect(atBest).toBeGreaterThan(-1e-9)
    if (k > 0) expect(atBest).toBeLessThanOrEqual((steps[k - 1]?.atBest ?? 0) + 1e-9)
  })
  const gained = (of: 'byRule' | 'atBest') =>
    (steps ?? []).slice(0, 5).reduce((all, step) => all + step[of] * (step.to - step.from), 0)
  expect(gained('byRule') / gained('atBest')).toBeCloseTo(own?.ofBest ?? NaN, 9)
  expect(perKw).toBeGreaterThanOrEqual(-1e-9)
  // 0.3 kW and the battery's own 18 W from no less than the reserve: a tenth of what it holds.
  const reserve = (chosen.reserve * (own?.usableKwh ?? 0) * 0.955) / 0.318
  expect(backup?.worstHours).toBeGreaterThanOrEqual(reserve - 1e-3)
  expect(backup?.mostlyHours).toBeGreaterThanOrEqual(backup?.worstHours ?? NaN)
})

test('by tariff with the grid a battery earns more than by own use, and its dispatch follows the rule', async () => {
  const shares = await Promise.all(
    ([{ rule: 'own-use' }, { rule: 'by-tariff', gridCharging: true }] as const).map(async (fields) => {
      const world = await worldWith(fields)
      const run = graph.open(world)
      await run.prepare([billThenStage], patient)
      return run.value(billThenStage).annual
    }),
  )
  expect(shares[1]).toBeLessThan((shares[0] ?? 0) - 20)
})

test('without a battery the curve is of the first in the catalogue; more than three are tried where they are chosen', async () => {
  const none = await worldWith({ batteryId: null })
  const { steps, perKw, backup } = await storageWorths(graph, none, patient)
  expect(backup).toBeNull()
  expect(steps?.at(-1)?.to).toBeCloseTo(2 * (none.catalogue.batteries[0]?.usableKwh ?? 0), 9)
  expect(perKw).toBeNull()
  const many = await worldWith({ count: 5 })
  const five = sizesOf(many.catalogue, storageIn(many), {}).filter(({ count }) => count === 5)
  expect(five).toHaveLength(1)
})

test('the more hours shall be served without a grid, the larger the array and the generator', async () => {
  const [most, fewer] = await Promise.all(
    [0.99, 0.8].map(async (offGridShare) => {
      const world = await worldWith({ offGridShare })
      return (await offGridSizes(graph.open(world), world, patient)).sizes
    }),
  )
  expect(most?.map(({ unservedKwh }) => unservedKwh)).toEqual(fewer?.map(({ unservedKwh }) => unservedKwh))
  most?.forEach(({ generator, arrayTimes }, k) => {
    expect(generator.kw).toBeGreaterThan(fewer?.[k]?.generator.kw ?? NaN)
    expect(arrayTimes ?? Infinity).toBeGreaterThanOrEqual(fewer?.[k]?.arrayTimes ?? Infinity)
  })
})

test('the more stays on when the grid fails, the shorter it lasts', async () => {
  const worst = await Promise.all(
    [0.2, 0.4].map(async (kw) => {
      const world = await worldWith({ backup: { kw, share: 0.1, loads: [] } })
      return (await storageWorths(graph, world, patient)).backup?.worstHours ?? NaN
    }),
  )
  expect(worst[1]).toBeLessThan(worst[0] ?? NaN)
})

test('it ends as soon as something newer waits', async () => {
  const world = await worldWith({ reserve: 0.31 })
  let pauses = 0
  const impatient = { atMostMs: 0, pause: async () => ++pauses < 4 }
  await expect(storageWorths(graph, world, impatient)).rejects.toBeInstanceOf(Overtaken)
})

test('the highest power first: the bill counts it, the prices of the hours do not, and the mean peak is told', async () => {
  const demand = tariffsIn('pellworth').find(({ name }) => name === 'Town home, demand')
  const house = set(job.house, tariffThenId, { ...demand, id: tariffThenId, kind: 'tariff' })
  const of = async (rule: Storage['rule']) => {
    const fields = { rule, gridCharging: true, count: 1 }
    const world = await worldOf(house, set(withBattery, storageId, fields))
    const { peaks, worths, steps } = await storageWorths(graph, world, patient)
    const billThen = graph.open(world).value(billThenStage).annual
    return {
      billThen,
      peaks,
      own: worths.find(({ batteryId }) => batteryId === storageIn(world).batteryId),
      steps,
    }
  }
  const [plain, shaving] = [await of('own-use'), await of('peak-shaving')]
  expect(shaving.peaks?.bare).toBe(plain.peaks?.bare)
  expect(shaving.peaks?.kept).toBeLessThan(0.7 * (shaving.peaks?.bare ?? 0))
  expect(shaving.billThen).toBeLessThan(plain.billThen - 50)
  expect(shaving.own?.ofBest).toBeNull()
  // The first steps of storage are worth their share of the demand charge.
  expect(shaving.steps?.[0]?.byRule).toBeGreaterThan(2 * (plain.steps?.[0]?.byRule ?? 0))
  // Without a demand charge no hour's power is told.
  const without = await storageWorths(graph, await worldWith({ rule: 'own-use' }), patient)
  expect(without.peaks).toBeNull()
}, 120_000)
