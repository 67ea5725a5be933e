import { type Catalogue } from '@/core/electrical/catalogue'
import { type AnyObject, type Objects } from '@/core/model/document'
import { checksOf } from '@/core/pipeline/checks'
import { Pipeline } from '@/core/pipeline/pipeline'
import { catalogue } from './equipment'
import { saltmarshJob } from './shipped-job'
import { worldInput } from './world-input'

const job = saltmarshJob()
const option = job.options[0]?.objects ?? {}
const pipeline = new Pipeline()
const set = (objects: Objects, id: string, fields: object): Objects => ({
  ...objects,
  [id]: { ...objects[id], ...fields } as AnyObject,
})
const without = (objects: Objects, kind: string): Objects =>
  Object.fromEntries(Object.entries(objects).filter(([, object]) => object.kind !== kind))

/** Checks of a design by their id, strings' numbers left out. */
function checks(house = job.house, objects = option, equipment: Catalogue = catalogue) {
  const found = checksOf(pipeline.run({ ...worldInput(house, objects), catalogue: equipment }))
  return new Map(found.map((check) => [check.id.replace(/-S\d+$/, ''), check]))
}
const inverterWith = (fields: object): Catalogue => ({
  ...catalogue,
  inverters: catalogue.inverters.map((inverter) => ({ ...inverter, ...fields })),
})

test('the shipped job has none', () => {
  expect([...checks().keys()]).toEqual([])
})

test('every check says what to do, and its figure and limit where there is something to measure', () => {
  const wrecked = [
    checks(job.house, option, inverterWith({ highestV: 200, mppHighV: 150, mppInputs: 1, inputCurrentA: 5 })),
    checks(set(job.house, 'load', { annualKwh: 0 }), set(option, 'offer', { pricePerWatt: 90 })),
    checks(job.house, without(option, 'array')),
  ]
  const all = wrecked.flatMap((found) => [...found.values()])
  expect(all.length).toBeGreaterThan(5)
  for (const check of all) {
    expect(check.title).not.toBe('')
    expect(check.message.length).toBeGreaterThan(20)
    const { figure, limit } = check.measured ?? { figure: 0, limit: 0 }
    expect(Number.isFinite(figure) && Number.isFinite(limit)).toBe(true)
  }
})

test('a string of too many modules: open volts in the cold against what the inverter stands', () => {
  // The cap on the automatic length follows the inverter, so it is typed.
  const long = set(option, 'electrical', { modulesPerString: 20 })
  const found = checks(job.house, long, inverterWith({ highestV: 450, mppHighV: 440 }))
  const cold = found.get('cold')
  expect(cold?.severity).toBe('broken')
  expect(cold?.measured?.limit).toBe(450)
  // 13 modules of 38.3 V at -18 °C: 38.3 (1 + 0.0026 * 43) = 42.58 V each.
  expect(cold?.measured?.figure).toBeCloseTo(13 * 38.3 * (1 + 0.0026 * 43), 6)
  expect(cold?.objects).toHaveLength(13)
  expect(cold?.remedy?.set).toEqual({ id: 'electrical', field: 'modulesPerString', value: null })
  expect(found.has('peak')).toBe(false)
})

test('within what it stands but over its MPPT window: a warning, not a break', () => {
  const long = set(option, 'electrical', { modulesPerString: 20 })
  const found = checks(job.house, long, inverterWith({ highestV: 600, mppHighV: 400 }))
  expect(found.has('cold')).toBe(false)
  const peak = found.get('peak')
  expect(peak?.severity).toBe('warning')
  expect(peak?.measured?.figure).toBeCloseTo(13 * 32.2 * (1 + 0.0034 * 43), 6)
  expect(peak?.measured?.limit).toBe(400)
})

test('left to itself the stringing keeps inside the window', () => {
  const found = checks(job.house, option, inverterWith({ highestV: 600, mppHighV: 300 }))
  expect(found.has('cold')).toBe(false)
  expect(found.has('peak')).toBe(false)
})

test('too few modules: best volts in the heat against the window’s foot', () => {
  const found = checks(
    job.house,
    set(option, 'electrical', { modulesPerString: 2 }),
    inverterWith({ mppInputs: 12 }),
  )
  const hot = found.get('hot')
  expect(hot?.severity).toBe('broken')
  expect(hot?.measured?.figure).toBeLessThan(hot?.measured?.limit ?? 0)
})

test('more strings than inputs: those left over are named and yield nothing', () => {
  const one = inverterWith({ mppInputs: 1, stringsPerInput: 1 })
  const check = checks(job.house, option, one).get('inputs')
  expect(check?.severity).toBe('broken')
  expect(check?.message).toContain('yield nothing')
  expect(check?.measured?.figure).toBe(2)
  expect(check?.measured?.limit).toBe(1)
  const bound = pipeline.run({ ...worldInput(job.house, option), catalogue: one })
  const free = pipeline.run(worldInput(job.house, option))
  expect(bound.chain.lost.unwired.kwh).toBeGreaterThan(500)
  expect(bound.ac.kwh).toBeLessThan(free.ac.kwh)
})

test('a module’s current over the input’s limit, in amperes', () => {
  const check = checks(job.house, option, inverterWith({ inputCurrentA: 10 })).get('current')
  expect([check?.measured?.figure, check?.measured?.limit, check?.measured?.unit]).toEqual([13.85, 10, 'A'])
})

test('a ratio out of bounds either way, and what is clipped', () => {
  const small = checks(job.house, option, inverterWith({ acPowerW: 2500, king: undefined }))
  expect(small.get('dc-ac')).toMatchObject({ severity: 'broken', measured: { limit: 1.6, unit: 'ratio' } })
  expect(small.get('dc-ac')?.measured?.figure).toBeCloseTo(6720 / 2500, 9)
  expect(small.get('clipping')?.measured?.figure).toBeGreaterThan(0.03)
  const large = checks(job.house, option, inverterWith({ acPowerW: 20_000, king: undefined }))
  expect(large.get('dc-ac')).toMatchObject({ severity: 'note', measured: { limit: 0.8 } })
})

test('nothing laid, no plane under an array, no module that fits', () => {
  expect(checks(job.house, without(option, 'array')).get('no-modules')?.severity).toBe('note')
  const gone = checks(without(job.house, 'volume'))
  expect([...gone.keys()].some((id) => id.startsWith('homeless'))).toBe(true)
  const wide = { eave: 9, ridge: 9, hip: 9, valley: 9, rake: 9 }
  expect(
    [...checks(job.house, set(option, 'cover', { setbacksM: wide })).keys()].some((id) =>
      id.startsWith('nofit'),
    ),
  ).toBe(true)
})

test('no consumption, and a price that is never paid back', () => {
  expect(checks(set(job.house, 'load', { annualKwh: 0 })).get('no-load')?.chapter).toBe('match')
  const dear = checks(job.house, set(option, 'offer', { pricePerWatt: 90 })).get('no-payback')
  expect(dear?.chapter).toBe('offer')
  expect(dear?.measured?.figure).toBeLessThan(0)
})

test('a station far off is a note, one very far a warning', () => {
  expect(checks(set(job.house, 'site', { stationId: 'harrow-ridge' })).get('station-far')?.severity).toBe(
    'note',
  )
  const far = checks(set(job.house, 'site', { stationId: 'gulf-jetty' })).get('station-far')
  expect(far?.severity).toBe('warning')
  expect(far?.measured?.limit).toBe(80_000)
})
