import { freshGraph, job, option, runOf, set, withBattery, worldOf } from '@/town/testing'
import { isWired, type CablePlan } from '../cables/cable-plan'
import { stringRuns } from '../cables/cable-runs'
import { copperOhmMm2PerM } from '../cables/copper'
import { electricalId } from '../kinds/electrical/electrical'
import { type Objects } from '../kinds/documents'
import { lossesId } from '../kinds/losses/losses'
import { siteId } from '../kinds/site/site'
import { partsList } from '../parts/parts-list'
import { builtOf } from '../readers/built'
import { checksOf, ledgerOf } from '../readers/ledger'
import { acStage } from './ac'
import { cablesStage } from './cables'
import { dcStage } from './dc'
import { lossChainStage } from './loss-chain'
import { siteStage } from './site'
import { stringYearStage } from './string-years'
import { stringsStage } from './strings'
import { sunStage } from './sun'

/** On the east wall and around the corner on the south. */
const east = { at: [7.5, -1.6], heightM: 1.6 } as const
const south = { at: [3, -3.6], heightM: 1.4 } as const
const microinverters = { inverterId: 'tarnbeck-360' }

async function computed(electrical: object, site: object = {}, objects: Objects = option) {
  const world = await worldOf(set(job.house, siteId, site), set(objects, electricalId, electrical))
  const run = runOf(world, freshGraph())
  const lost = run.value(lossChainStage).lost
  return { world, run, lost, plan: run.value(cablesStage), kwh: run.value(acStage).kwh }
}

test('what is placed is enough with inverter and load centre; of microinverters with the latter', () => {
  expect(isWired({ inverter: null, loadCentre: south }, false)).toBe(false)
  expect(isWired({ inverter: east, loadCentre: null }, false)).toBe(false)
  expect(isWired({ inverter: east, loadCentre: south }, false)).toBe(true)
  expect(isWired({ inverter: null, loadCentre: south }, true)).toBe(true)
})

test('until both ends are placed the entered share holds', async () => {
  const before = await computed({})
  const half = await computed({ inverterAt: east })
  expect(before.plan).toEqual({ devices: [], dc: [], ac: [], battery: null })
  expect(half.plan.dc).toHaveLength(half.run.value(stringsStage).strings.length)
  expect(half.kwh).toBe(before.kwh)
  expect(half.lost['ac-cables'].kwh).toBe(0)
})

test('the direct current: amperes squared in every string, hour by hour, in the place of the share', async () => {
  const { run, lost, plan, world } = await computed({ inverterAt: east }, { loadCentreAt: south })
  const { stepMinutes } = run.value(sunStage)
  const chain = run.value(lossChainStage)
  // What the losses before the cables leave of what the strings give.
  const given = run.value(stringYearStage).map(({ value }) => value)
  const all = given.reduce((sum, { powerW }) => sum + powerW.reduce((own, watts) => own + watts, 0), 0)
  const kwh = stepMinutes / 60_000
  const left = 1 - (chain.lost['light-induced'].kwh + chain.lost.nameplate.kwh) / (all * kwh)
  // Modules that are further apart than their leads reach have a lead more.
  const leads = stringRuns(run.value(siteStage), run.value(stringsStage).strings)
  let expected = 0
  given.forEach(({ powerW, voltWatts }, s) => {
    const ways = plan.dc[s]?.ways ?? []
    const between = leads[s]?.extensions.reduce((sum, { fromM }) => sum + fromM, 0) ?? 0
    const metres = ways.reduce((sum, { lengthM }) => sum + lengthM + 1, between)
    const ohm = (copperOhmMm2PerM * metres) / (plan.dc[s]?.mm2 ?? 1)
    powerW.forEach((watts, k) => {
      if (watts > 0) expected += ((watts * left) / ((voltWatts[k] ?? 0) / watts)) ** 2 * ohm * kwh
    })
  })
  expect(plan.dc.every(({ ways }) => ways.length === 2)).toBe(true)
  expect(expected).toBeGreaterThan(10)
  expect(lost.wiring.kwh).toBeCloseTo(expected, 3)
  // The share is still entered, and counts no more.
  expect(world.option[lossesId]).toMatchObject({ wiring: 0.02 })
  expect(lost.wiring.kwh).toBeLessThan(0.01 * all * kwh)
})

test('the alternating current: amperes squared in both conductors, and the books balance', async () => {
  const before = await computed({})
  const { run, lost, plan, kwh } = await computed({ inverterAt: east }, { loadCentreAt: south })
  const [ac] = plan.ac
  if (!ac) throw new Error('there is a cable')
  // 240 V between two conductors.
  const ohm = (2 * copperOhmMm2PerM * ac.cableM) / ac.mm2
  const { kwhByInterval, lostKwh } = run.value(acStage)
  let expected = 0
  const hours = 8760 / kwhByInterval.length
  kwhByInterval.forEach((left, k) => {
    const made = left + (lostKwh.downtime[k] ?? 0) + (lostKwh['ac-cables'][k] ?? 0)
    if (made > 0) expected += (((made / hours) * 1000) / 240) ** 2 * ohm * (hours / 1000)
  })
  expect(expected).toBeGreaterThan(1)
  expect(lost['ac-cables'].kwh).toBeCloseTo(expected, 6)
  // Two per cent were far too much for so short a way.
  expect(kwh).toBeGreaterThan(before.kwh * 1.01)
  const ledger = ledgerOf(run)
  const value = (id: string) => ledger.find((line) => line.id === id)?.value ?? 0
  expect(value('ac-cables')).toBeCloseTo(-lost['ac-cables'].kwh, 0)
  const chain = run.value(lossChainStage)
  const all = Object.values(chain.lost).reduce((sum, one) => sum + one.kwh, 0)
  expect(chain.sun.kwh - all).toBeCloseTo(chain.ac.kwh, 6)
})

test('microinverters: no direct current, each branch by what its devices give along it', async () => {
  const { lost, plan, run } = await computed(microinverters, { loadCentreAt: south })
  expect(plan.dc).toEqual([])
  expect(plan.ac.map(({ id }) => id)).toEqual(run.value(stringsStage).strings.map(({ id }) => id))
  expect(lost.wiring.kwh).toBe(0)
  expect(lost['ac-cables'].kwh).toBeGreaterThan(1)
  const entered = await computed(microinverters)
  expect(entered.lost.wiring.kwh).toBeGreaterThan(100)
  expect(entered.lost['ac-cables'].kwh).toBe(0)
  expect(entered.kwh).toBeLessThan(run.value(acStage).kwh)
})

test('optimizers: the amperes are those of the string behind them', async () => {
  const { lost, run } = await computed(
    { inverterAt: east, optimizerId: 'thrushfield-430' },
    { loadCentreAt: south },
  )
  expect(lost.wiring.kwh).toBeGreaterThan(0)
  expect(run.value(dcStage).powerW.every((watts) => Number.isFinite(watts) && watts >= 0)).toBe(true)
})

test('a thin cable is told, and one press of its remedy is enough', async () => {
  const thin = { inverterAt: { at: [-6, -4.7], heightM: 1.5 }, dcMm2: 1, acMm2: 2 }
  const { run } = await computed(thin, { loadCentreAt: east })
  const checks = checksOf(run).filter(({ code }) => code === 'cable-drop')
  expect(checks.map(({ id }) => id)).toEqual(['cable-drop-dc', 'cable-drop-ac'])
  const fields = Object.fromEntries(
    checks.map(({ remedy }) => [remedy?.set.field ?? '', remedy?.set.value] as const),
  )
  const after = await computed({ ...thin, ...fields }, { loadCentreAt: east })
  expect(checksOf(after.run).filter(({ code }) => code === 'cable-drop')).toEqual([])
  // The figure again by hand: volts of the current over those of the supply.
  const [ac] = (run.value(cablesStage) satisfies CablePlan).ac
  const amperes = 7600 / 240
  expect(ac?.dropShare).toBeCloseTo((2 * amperes * copperOhmMm2PerM * (ac?.cableM ?? 0)) / 2 / 240, 9)
})

test('a cross-section below its current is told with the least that bears it, wherever the devices hang', async () => {
  const thin = async (electrical: object) =>
    checksOf((await computed(electrical)).run).filter(({ code }) => code === 'cable-thin')
  expect(await thin({})).toEqual([])
  // 31.7 A ask for a breaker of 40 A, and that for gauge 8; 13.9 A of a string in bright sun for gauge 10.
  const found = await thin({ dcMm2: 3.31, acMm2: 5.26 })
  expect(found.map(({ id, measured }) => [id, measured?.limit])).toEqual([
    ['cable-thin-dc', 5.26],
    ['cable-thin-ac', 8.37],
  ])
  const fields = Object.fromEntries(found.map(({ remedy }) => [remedy?.set.field ?? '', remedy?.set.value]))
  expect(await thin(fields)).toEqual([])
  expect((await thin({ ...microinverters, dcMm2: 1, acMm2: 1 })).map(({ id }) => id)).toEqual([
    'cable-thin-ac',
  ])
})

test('what is off the wall is told, and put back onto it', async () => {
  const away = { at: [12, -1.6], heightM: 1.6 }
  const { run } = await computed({ inverterAt: away }, { loadCentreAt: south })
  const [check] = checksOf(run).filter(({ code }) => code === 'off-wall')
  expect(check).toMatchObject({ id: 'off-wall-inverter', remedy: { set: { field: 'inverterAt' } } })
  const after = await computed({ inverterAt: check?.remedy?.set.value }, { loadCentreAt: south })
  expect(checksOf(after.run).filter(({ code }) => code === 'off-wall')).toEqual([])
  expect(after.plan.dc[0]?.cableM).toBeCloseTo(run.value(cablesStage).dc[0]?.cableM ?? 0, 2)
})

test('cables that come down in one place do so, and are no shorter for it', async () => {
  const free = await computed({ inverterAt: east }, { loadCentreAt: south })
  const led = await computed(
    { inverterAt: east, cablesDownAt: { at: [-7.1, -1], heightM: 2 } },
    { loadCentreAt: south },
  )
  const down = led.plan.devices.find(({ name }) => name === 'cablesDown')?.at
  led.plan.dc.forEach(({ ways, cableM }, s) => {
    expect(cableM).toBeGreaterThan(free.plan.dc[s]?.cableM ?? Infinity)
    for (const { points } of ways) expect(points).toContainEqual(down)
  })
})

test('the parts list counts what the plan has led, with the cable of the battery', async () => {
  const { run, world, plan } = await computed(
    { inverterAt: east, batteryAt: { at: [7.6, -2.2], heightM: 1 } },
    { loadCentreAt: south },
    withBattery,
  )
  const lines = new Map(partsList(builtOf(run, world)).map((line) => [line.code, line.count]))
  const sum = plan.dc.reduce((metres, { cableM }) => metres + cableM, 0)
  expect(lines.get('string-cable')).toBe(Math.ceil(sum))
  expect(lines.get('ac-cable')).toBe(Math.ceil(plan.ac[0]?.cableM ?? 0))
  expect(plan.battery).not.toBeNull()
  expect(lines.get('battery-cable')).toBe(Math.ceil(plan.battery?.cableM ?? 0))
})
