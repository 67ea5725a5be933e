import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { plainEnglish } from '@/words/plain-english'
import { saidCheck } from '@/words/said-check'
import { type Catalogue } from '../electrical/catalogue'
import { type Objects } from '../kinds/documents'
import { fitDiode } from '../energy/fit-diode'
import { diodePower } from '../energy/module-power'
import { type Check } from '../model/ledger'
import { checksOf } from '../readers/ledger'
import { acStage } from './ac'
import { lossChainStage } from './loss-chain'
import { siteStage } from './site'
import { type World } from './world'

const graph = freshGraph()
const { catalogue } = await worldOf()
const withoutKind = (objects: Objects, kind: string): Objects =>
  Object.fromEntries(Object.entries(objects).filter(([, object]) => object.kind !== kind))
const runWith = async (house: Objects, objects: Objects, equipment: Catalogue) => {
  const world: World = { ...(await worldOf(house, objects)), catalogue: equipment }
  return runOf(world, graph)
}

/** Checks of a design by what they say. */
async function checks(house = job.house, objects = option, equipment: Catalogue = catalogue) {
  const found = checksOf(await runWith(house, objects, equipment))
  return new Map(found.map((check) => [check.code, check]))
}
const said = (check: Check | undefined) => (check ? saidCheck(plainEnglish, check).message : '')
const inverterWith = (fields: object): Catalogue => ({
  ...catalogue,
  inverters: catalogue.inverters.map((inverter) => ({ ...inverter, ...fields })),
})

test('the shipped job has none', async () => {
  expect([...(await checks()).keys()]).toEqual([])
})

test('every check says what to do, and its figure and limit where there is something to measure', async () => {
  const wrecked = [
    await checks(
      job.house,
      option,
      inverterWith({ highestV: 200, mppHighV: 150, mppInputs: 1, inputCurrentA: 5 }),
    ),
    await checks(set(job.house, 'load', { annualKwh: 0 }), set(option, 'offer', { pricePerWatt: 90 })),
    await checks(job.house, withoutKind(option, 'array')),
  ]
  const all = wrecked.flatMap((found) => [...found.values()])
  expect(all.length).toBeGreaterThan(5)
  for (const check of all) {
    const { title, message } = saidCheck(plainEnglish, check)
    expect(title).not.toBe('')
    expect(message.length).toBeGreaterThan(20)
    expect(`${title} ${message}`).not.toMatch(/[{}]|NaN|undefined/)
    const { figure, limit } = check.measured ?? { figure: 0, limit: 0 }
    expect(Number.isFinite(figure) && Number.isFinite(limit)).toBe(true)
  }
})

test('a string of too many modules: open volts in the cold against what the inverter stands', async () => {
  // The cap on the automatic length follows the inverter, so it is typed.
  const long = set(option, 'electrical', { modulesPerString: 20 })
  const found = await checks(job.house, long, inverterWith({ highestV: 450, mppHighV: 440 }))
  const cold = found.get('string-cold')
  expect(cold?.severity).toBe('broken')
  expect(cold?.measured?.limit).toBe(450)
  // 13 modules of 38.3 V at -18 °C: 38.3 (1 + 0.0026 * 43) = 42.58 V each.
  expect(cold?.measured?.figure).toBeCloseTo(13 * 38.3 * (1 + 0.0026 * 43), 6)
  expect(cold?.objects).toHaveLength(13)
  expect(cold?.remedy?.set).toEqual({ id: 'electrical', field: 'modulesPerString', value: null })
  expect(found.has('string-peak')).toBe(false)
})

test('within what it stands but over its MPPT window: a warning, not a break', async () => {
  const long = set(option, 'electrical', { modulesPerString: 20 })
  const found = await checks(job.house, long, inverterWith({ highestV: 600, mppHighV: 400 }))
  expect(found.has('string-cold')).toBe(false)
  const peak = found.get('string-peak')
  const sheet = catalogue.modules.find(({ id }) => id === 'lumenfold-420')
  if (!sheet) throw new Error('the shipped job has this module')
  const coldVmp = diodePower(fitDiode(sheet), 3).volts(1000, -18)
  expect(peak?.severity).toBe('warning')
  expect(peak?.measured?.figure).toBeCloseTo(13 * coldVmp, 6)
  expect(peak?.measured?.limit).toBe(400)
})

test('left to itself the stringing keeps inside the window', async () => {
  const found = await checks(job.house, option, inverterWith({ highestV: 600, mppHighV: 300 }))
  expect(found.has('string-cold')).toBe(false)
  expect(found.has('string-peak')).toBe(false)
})

test('too few modules: best volts in the heat against the window’s foot', async () => {
  const found = await checks(
    job.house,
    set(option, 'electrical', { modulesPerString: 2 }),
    inverterWith({ mppInputs: 12 }),
  )
  const hot = found.get('string-hot')
  expect(hot?.severity).toBe('broken')
  expect(hot?.measured?.figure).toBeLessThan(hot?.measured?.limit ?? 0)
})

test('modules that find no input are named and yield nothing', async () => {
  const one = inverterWith({ mppInputs: 1, stringsPerInput: 1 })
  const check = (await checks(job.house, option, one)).get('inputs')
  expect(check?.severity).toBe('broken')
  expect(said(check)).toContain('yield nothing')
  // All in one direction lie on the one input; the other plane's four do not.
  expect([check?.measured?.figure, check?.measured?.limit, check?.objects.length]).toEqual([4, 0, 4])
  const bound = await runWith(job.house, option, one)
  const free = await runWith(job.house, option, catalogue)
  expect(bound.value(lossChainStage).lost.unwired.kwh).toBeGreaterThan(500)
  expect(bound.value(acStage).kwh).toBeLessThan(free.value(acStage).kwh)
})

test('a module’s current over the input’s limit, in amperes', async () => {
  const check = (await checks(job.house, option, inverterWith({ inputCurrentA: 10 }))).get('current')
  expect([check?.measured?.figure, check?.measured?.limit, check?.measured?.unit]).toEqual([13.85, 10, 'A'])
})

test('a ratio out of bounds either way, and what is clipped', async () => {
  const small = await checks(job.house, option, inverterWith({ acPowerW: 2500, king: undefined }))
  expect(small.get('dc-ac-high')).toMatchObject({
    severity: 'broken',
    measured: { limit: 1.6, unit: 'ratio' },
  })
  expect(small.get('dc-ac-high')?.measured?.figure).toBeCloseTo(7140 / 2500, 9)
  expect(small.get('clipping')?.measured?.figure).toBeGreaterThan(0.03)
  const large = await checks(job.house, option, inverterWith({ acPowerW: 20_000, king: undefined }))
  expect(large.get('dc-ac-low')).toMatchObject({ severity: 'note', measured: { limit: 0.8 } })
})

test('nothing laid, no plane under an array, no module that fits', async () => {
  expect((await checks(job.house, withoutKind(option, 'array'))).get('no-modules')?.severity).toBe('note')
  const gone = await checks(withoutKind(job.house, 'volume'))
  expect(gone.has('orphaned')).toBe(true)
  const wide = { eave: 9, ridge: 9, hip: 9, valley: 9, rake: 9 }
  expect((await checks(job.house, set(option, 'cover', { setbacksM: wide }))).has('no-fit')).toBe(true)
})

test('no consumption, and a price that is never paid back', async () => {
  expect((await checks(set(job.house, 'load', { annualKwh: 0 }))).get('no-load')).toMatchObject({
    severity: 'warning',
    objects: ['load'],
  })
  const dear = (await checks(job.house, set(option, 'offer', { pricePerWatt: 90 }))).get('no-payback')
  expect(dear?.objects).toEqual(['offer'])
  expect(dear?.measured?.figure).toBeLessThan(0)
})

test('a station far off is a note, one very far a warning', async () => {
  expect(
    (await checks(set(job.house, 'site', { stationId: 'harrow-ridge' }))).get('station-far')?.severity,
  ).toBe('note')
  const far = (await checks(set(job.house, 'site', { stationId: 'gulf-jetty' }))).get('station-far')
  expect(far?.severity).toBe('warning')
  expect(far?.measured?.limit).toBe(80_000)
})

test('modules in too much shade are told of array by array, and are gone with one click', async () => {
  const darker = set(job.house, 'tree-2', { heightM: 25, transmissivity: new Array<number>(12).fill(0) })
  const strict = set(option, 'cover', { leastSunAccess: 0.9 })
  const found = checksOf(await runWith(darker, strict, catalogue)).filter(
    ({ code }) => code === 'shaded-modules',
  )
  expect(found.length).toBeGreaterThan(0)
  let left = strict
  for (const check of found) {
    expect(check.measured?.limit).toBe(0.9)
    expect(check.measured?.figure).toBeLessThan(0.9)
    expect(said(check)).toMatch(/^\d+ modules? ha(s|ve) less than 90 % of the year’s light: \d+ % at worst/)
    const { id, field, value } = check.remedy?.set ?? { id: '', field: '', value: null }
    expect(field).toBe('removed')
    left = set(left, id, { [field]: value })
  }
  const run = await runWith(darker, left, catalogue)
  expect(checksOf(run).map(({ code }) => code)).not.toContain('shaded-modules')
  const before = await runWith(darker, strict, catalogue)
  const count = (of: typeof run) => of.value(siteStage).arrays.flatMap(({ panels }) => panels).length
  expect(count(run)).toBe(count(before) - found.reduce((sum, { objects }) => sum + objects.length - 1, 0))
  // Where none is set the limit is three quarters.
  const dark = set(darker, 'tree-1', { heightM: 25, transmissivity: new Array<number>(12).fill(0) })
  const usual = await checks(dark)
  expect(usual.has('shaded-modules')).toBe(true)
  expect(usual).toEqual(await checks(dark, set(option, 'cover', { leastSunAccess: 0.75 })))
})
