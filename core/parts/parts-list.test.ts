import { builtOf } from '../readers/built'
import { plainEnglish } from '@/words/plain-english'
import { partReasons } from '@/words/en/parts'
import { shippedJobs } from '@/town/shipped-job'
import { job, option, runOf, set, withBattery, worldOf } from '@/town/testing'
import { electricalId } from '../kinds/electrical/electrical'
import { storageId } from '../kinds/storage/storage'
import { branchRuns, stringRuns } from '../cables/cable-runs'
import { chosenParts, toBring } from './chosen-parts'
import { partsList, type Built } from './parts-list'

const builtFor = async (house = job.house, objects = option): Promise<Built> => {
  const world = await worldOf(house, objects)
  return builtOf(runOf(world), world)
}

test('counts are those of what is drawn', async () => {
  const built = await builtFor(job.house, withBattery)
  const lines = new Map(partsList(built).map((line) => [line.code, line]))
  const count = (code: string) => lines.get(code as never)?.count ?? 0
  const modules = built.site.arrays.flatMap(({ panels }) => panels)
  const rails = built.holdings.flatMap((holding) => (holding.is === 'rails' ? holding.rails : []))
  const feet = rails.flatMap((rail) => rail.feet)
  expect(count('module')).toBe(modules.length)
  expect(count('foot')).toBe(feet.length)
  expect(count('rail-end-cap')).toBe(2 * rails.length)
  // Along each rail every module is held at both ends, neighbours by one clamp.
  const held = built.holdings.flatMap((holding) => (holding.is === 'rails' ? holding.clamps : []))
  expect(count('end-clamp') + count('middle-clamp')).toBe(held.length)
  expect(count('connector-pair')).toBe(built.strings.filter(({ input }) => input >= 0).length)
  expect([count('inverter'), count('battery'), count('label')]).toEqual([1, 1, 4])
  expect(count('rail') * 4.2672).toBeGreaterThanOrEqual(rails.reduce((sum, { lengthM }) => sum + lengthM, 0))
})

test('DC-coupled batteries have an isolator each, and no breaker', async () => {
  const fields = { batteryId: 'kestrelite-tower-6', count: 2 }
  const built = await builtFor(
    job.house,
    set(set(withBattery, electricalId, { inverterId: 'tamsin-5' }), storageId, fields),
  )
  const lines = partsList(built)
  const counts = Object.fromEntries(lines.map(({ code, count }) => [code, count]))
  expect(counts).toMatchObject({ battery: 2, 'battery-isolator': 2 })
  expect(counts).not.toHaveProperty('battery-breaker')
  expect(lines.find(({ code }) => code === 'battery-isolator')?.data).toEqual({
    volts: { value: 190, unit: 'V', digits: 0 },
  })
})

test('prices and weights add up; without modules there is nothing', async () => {
  const built = await builtFor()
  const lines = partsList(built)
  const { price, weightKg } = toBring(chosenParts(lines, { partChanges: [], ownParts: [] }))
  expect(price).toBe(
    built.module.price * (lines.find(({ code }) => code === 'module')?.count ?? 0) + built.inverter.price,
  )
  expect(weightKg).toBeGreaterThan(17 * (built.module.weightKg ?? 0))
  expect(partsList({ ...built, site: { ...built.site, arrays: [], faces: [] } })).toEqual([])
  expect(lines.some(({ code }) => code === 'battery')).toBe(false)
})

test('of every shipped job each line says why, with nothing left open', async () => {
  const ways = [{}, { inverterId: 'tarnbeck-360' }, { optimizerId: 'thrushfield-430' }]
  for (const { house, options } of Object.values(shippedJobs).map((make) => make()))
    for (const objects of options.flatMap((one) => ways.map((way) => set(one.objects, electricalId, way))))
      for (const { code, data, count } of partsList(await builtFor(house, objects))) {
        expect(plainEnglish.say(partReasons[code], data)).toMatch(/^[^{}]+\.$/)
        expect(count).toBeGreaterThan(0)
        expect(Number.isInteger(count)).toBe(true)
      }
})

test('cables by hand: a string over one row, its ends on the lower edge', async () => {
  const built = await builtFor()
  const [string] = built.strings
  if (!string) throw new Error('the shipped job has strings')
  const [run] = stringRuns(built.site, [string])
  const panels = built.site.faces.flatMap((face) => face.panels.map((panel) => ({ panel, face })))
  const ends = [string.panelIds[0], string.panelIds.at(-1)].map((id) =>
    panels.find(({ panel }) => panel.id === id),
  )
  const home = ends.reduce((sum, end) => {
    if (!end) return NaN
    const low = Math.min(...end.face.panels.flatMap(({ corners }) => corners.map((c) => c[2])))
    const z = end.panel.corners.reduce((all, c) => all + c[2], 0) / 4
    return sum + (z - low) / Math.sin((end.face.plane.pitchDeg * Math.PI) / 180) + low + 3
  }, 0)
  expect(run?.homeM).toBeCloseTo(home, 9)
  expect(stringRuns(built.site, [{ ...string, input: -1 }])).toEqual([])
})

const countsIn = (built: Built) => new Map(partsList(built).map(({ code, count }) => [code as string, count]))

test('microinverters: what hangs under the modules, and no direct current to open', async () => {
  const built = await builtFor(job.house, set(option, electricalId, { inverterId: 'tarnbeck-duo-800' }))
  const counts = countsIn(built)
  const runs = branchRuns(built.site, built.strings, built.devices)
  expect(built.devices.flat().toSorted()).toEqual(
    built.strings.flatMap(({ panelIds }) => panelIds).toSorted(),
  )
  expect(counts.get('microinverter')).toBe(built.devices.length)
  expect(counts.get('branch-drop')).toBe(built.devices.length)
  expect(runs.reduce((sum, { devices }) => sum + devices, 0)).toBe(built.devices.length)
  expect(counts.get('branch-terminator')).toBe(built.strings.length)
  expect(counts.get('branch-breaker')).toBe(built.strings.length)
  expect(counts.get('combiner')).toBe(1)
  for (const code of ['inverter', 'dc-disconnect', 'connector-pair', 'string-cable', 'optimizer'])
    expect(counts.has(code)).toBe(false)
  // Service panel and AC disconnect.
  expect(counts.get('label')).toBe(2)
  const { price } = toBring(chosenParts(partsList(built), { partChanges: [], ownParts: [] }))
  expect(price).toBe(17 * built.module.price + 9 * built.inverter.price)
})

test('a single branch hangs on its own breaker', async () => {
  const few = set(option, electricalId, { inverterId: 'tarnbeck-300', modulesPerString: 60 })
  const counts = countsIn(await builtFor(job.house, few))
  expect(counts.get('branch-breaker')).toBe(1)
  expect(counts.has('combiner')).toBe(false)
  expect(counts.has('ac-breaker')).toBe(false)
  expect(counts.get('ac-disconnect')).toBe(1)
})

test('branch cable by hand: along the inverters in their order, and down from the first', async () => {
  const built = await builtFor(job.house, set(option, electricalId, { inverterId: 'tarnbeck-360' }))
  const places = new Map(
    built.site.faces.flatMap((face) => face.panels.map((panel) => [panel.id, panel] as const)),
  )
  const middles = (built.strings[0]?.panelIds ?? []).map((id) => {
    const corners = places.get(id)?.corners ?? []
    return [0, 1, 2].map((axis) => corners.reduce((sum, corner) => sum + (corner[axis] ?? NaN), 0) / 4)
  })
  const along = middles.slice(1).reduce((sum, middle, k) => {
    const before = middles[k] ?? []
    return sum + Math.hypot(...middle.map((value, axis) => value - (before[axis] ?? NaN)))
  }, 0)
  const [run] = branchRuns(built.site, built.strings, built.devices)
  expect(run?.alongM).toBeCloseTo(along, 9)
  expect(run?.homeM).toBeGreaterThan(3)
})

test('optimizers: one at each module', async () => {
  const built = await builtFor(job.house, set(option, electricalId, { optimizerId: 'thrushfield-430' }))
  const counts = countsIn(built)
  expect(counts.get('optimizer')).toBe(17)
  expect(counts.get('connector-pair')).toBe(built.strings.length)
  expect(counts.get('inverter')).toBe(1)
})
