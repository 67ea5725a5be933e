import { freshGraph, job, runOf, set, withBattery, worldOf } from '@/town/testing'
import { backupHours } from '../battery/backup'
import { portFault } from '../electrical/battery-port'
import { electricalId } from '../kinds/electrical/electrical'
import { storageId, type Storage } from '../kinds/storage/storage'
import { backedLoad } from '../readers/backed-load'
import { checksOf, ledgerOf } from '../readers/ledger'
import { storageWorths } from '../readers/storage-worth'
import { acStage } from './ac'
import { billThenStage } from './bills'
import { batteryWIn } from './cables'
import { batteryRunIn, dispatchStage } from './dispatch'
import { yearsStage } from './finance'
import { loadThenStage } from './load'
import { lossChainStage } from './loss-chain'
import { batteryIn, inverterIn } from './world'
import { yieldStage } from './yield'

const sum = (values: Float64Array) => values.reduce((all, value) => all + value, 0)
/** The shipped option behind another inverter, with two batteries. */
const worldBehind = (inverterId: string, batteryId: string | null, more: Partial<Storage> = {}) =>
  worldOf(
    job.house,
    set(set(withBattery, electricalId, { inverterId }), storageId, { batteryId, count: 2, ...more }),
  )
const hybrid = 'tamsin-5'
const tower = 'kestrelite-tower-6'
const figureOf = (run: ReturnType<typeof runOf>, id: string) =>
  ledgerOf(run).find((line) => line.id === id)?.value ?? NaN

test('a DC-coupled battery saves of clipping what it takes, and every sum holds', async () => {
  const world = await worldBehind(hybrid, tower)
  const [run, none] = [runOf(world), runOf(await worldBehind(hybrid, null))]
  const [ac, made, use] = [run.value(acStage), run.value(yieldStage), run.value(dispatchStage)]
  const caught = sum(use.fromClipping)
  expect(caught).toBeGreaterThan(20)
  expect(caught).toBeLessThanOrEqual(ac.clippedKwh)
  expect(made.kwh).toBeCloseTo(ac.kwh + caught, 6)
  expect(made.kwh).toBeCloseTo(sum(made.kwhByInterval), 6)
  expect(none.value(yieldStage)).toBe(none.value(acStage))
  expect(none.value(acStage)).toEqual(ac)
  const load = run.value(loadThenStage).loadKwh
  const own = batteryRunIn(world)?.standbyKw ?? NaN
  load.forEach((used, i) => {
    const at = (series: Float64Array) => series[i] ?? NaN
    const into = at(made.kwhByInterval) + at(use.bought) + at(use.discharged)
    expect(into - used - own - at(use.charged) - at(use.sold) - at(use.curtailed)).toBeCloseTo(0, 9)
  })
  const { sun, lost, ac: out } = run.value(lossChainStage)
  expect(sun.kwh - Object.values(lost).reduce((all, { kwh }) => all + kwh, 0)).toBeCloseTo(out.kwh, 6)
  expect(out.kwh).toBeCloseTo(made.kwh, 6)
  expect(figureOf(run, 'yield')).toBeCloseTo(figureOf(none, 'yield') + caught, 6)
  expect(figureOf(run, 'clipping')).toBeGreaterThan(figureOf(none, 'clipping'))
  const uses = figureOf(run, 'used') + figureOf(run, 'sold')
  expect(uses - figureOf(run, 'battery-loss')).toBeCloseTo(figureOf(run, 'yield'), 6)
  const terms = ledgerOf(run).find(({ id }) => id === 'clipping')?.explanation.inputs
  expect(terms).toContainEqual({ code: 'clipping-caught', value: { value: caught, unit: 'kWh', digits: 0 } })
})

test('the years begin with the first one, and what comes out is told with what is caught', async () => {
  const run = runOf(await worldBehind(hybrid, tower))
  const [first, second] = run.value(yearsStage)
  expect(first?.bill).toBeCloseTo(run.value(billThenStage).annual, 6)
  const made = run.value(yieldStage).kwhByInterval.map((kwh) => Math.max(0, kwh))
  expect(first?.yieldKwh).toBeCloseTo(sum(made), 6)
  expect(second?.yieldKwh).toBeLessThan(first?.yieldKwh ?? NaN)
})

test('when the grid fails, what would be clipped carries on', async () => {
  const graph = freshGraph()
  // Much stays on: what is in the battery is gone each evening.
  const world = await worldBehind(hybrid, tower, { backup: { kw: 1.5, share: 0, loads: [] } })
  const { backup } = await storageWorths(graph, world, { atMostMs: 1000, pause: async () => true })
  const run = runOf(world, graph)
  const battery = batteryRunIn(world)
  if (!battery) throw new Error('it suits the inverter')
  const { kwhByInterval: yieldKwh, clippedByInterval: clippedKwh } = run.value(acStage)
  const island = { yieldKwh, clippedKwh, criticalKwh: backedLoad(run, world), stepHours: 1 }
  const storedKwh = run.value(dispatchStage).storedKwh
  expect(backup?.hours).toEqual(backupHours({ ...island, storedKwh }, battery, 336))
  const without = backupHours({ ...island, clippedKwh: new Float64Array(8760), storedKwh }, battery, 336)
  expect(sum(Float64Array.from(backup?.hours ?? []))).toBeGreaterThan(sum(Float64Array.from(without)))
})

test('an AC-coupled one leaves the yield as it is', async () => {
  const run = runOf(await worldBehind(hybrid, 'kestrelite-5'))
  expect(run.value(yieldStage)).toBe(run.value(acStage))
})

test('it feeds the bus bar through the inverter alone', async () => {
  expect(batteryWIn(await worldBehind(hybrid, tower))).toBe(0)
  expect(batteryWIn(await worldBehind(hybrid, 'kestrelite-5'))).toBe(5000)
})

test.each([
  ['halyard-7600', 'battery-no-port', 'broken', null],
  ['dunmarrow-5', 'battery-volts', 'broken', { figure: 190, limit: 60, unit: 'V' }],
  [hybrid, 'battery-port-power', 'note', { figure: 6.4, limit: 5, unit: 'kW' }],
  ['tamsin-10', null, null, null],
] as const)('on %s: %s', async (inverterId, code, severity, measured) => {
  const world = await worldBehind(inverterId, tower)
  const run = runOf(world)
  const found = checksOf(run).filter((check) => check.code.startsWith('battery-'))
  expect(found).toHaveLength(code === null ? 0 : 1)
  if (code !== null) expect(found[0]).toMatchObject({ code, severity, measured, objects: [storageId] })
  if (severity !== 'broken') return expect(batteryRunIn(world)).not.toBeNull()
  // It is as though there were none.
  expect(batteryRunIn(world)).toBeNull()
  const none = runOf(await worldBehind(inverterId, null))
  expect(run.value(dispatchStage)).toEqual(none.value(dispatchStage))
  const used = (of: typeof run) => ledgerOf(of).filter(({ group }) => group === 'use')
  expect(used(run)).toEqual(used(none))
})

test('volts too low are told as those, and a battery with its own inverter hangs on anything', async () => {
  const world = await worldBehind('tamsin-10', 'hobbleton-flat-5')
  const [found] = checksOf(runOf(world)).filter(({ code }) => code === 'battery-volts')
  expect(found?.measured).toEqual({ figure: 44, limit: 120, unit: 'V' })
  const { batteries, inverters } = world.catalogue
  for (const battery of batteries)
    for (const inverter of inverters) {
      const fault = portFault(battery, inverter)
      if (!battery.dcSide) expect(fault).toBeNull()
      else expect(fault === 'battery-no-port').toBe(inverter.batteryPort === undefined)
    }
  expect(batteryIn(world)?.dcSide && inverterIn(world).batteryPort).toBeTruthy()
})
