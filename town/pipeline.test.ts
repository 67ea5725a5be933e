import { createHash } from 'node:crypto'
import fc from 'fast-check'
import { type AnyObject, type Objects } from '@/core/model/document'
import { Pipeline } from '@/core/pipeline/pipeline'
import { summarise, type RunSummary } from '@/core/pipeline/summary'
import { saltmarshJob } from './shipped-job'
import { worldInput } from './world-input'

const job = saltmarshJob()
const option = (index: number): Objects => job.options[index]?.objects ?? {}
const lineOf = (summary: RunSummary, id: string) =>
  summary.ledger.find((line) => line.id === id)?.value ?? NaN
const run = (house: Objects, objects: Objects, pipeline = new Pipeline()) =>
  summarise(pipeline.run(worldInput(house, objects)))
const without = (objects: Objects, id: string): Objects =>
  Object.fromEntries(Object.entries(objects).filter(([key]) => key !== id))
const withField = (objects: Objects, id: string, fields: object): Objects => ({
  ...objects,
  [id]: { ...objects[id], ...fields } as AnyObject,
})

const base = run(job.house, option(0))

test('the chain from sun to yield has no gap: each loss once, and they add up', () => {
  const ids = [
    'reflection',
    'shade',
    'mismatch',
    'snow',
    'dirt',
    'low-light',
    'heat',
    'wiring',
    'inverter',
    'clipping',
    'availability',
  ]
  const left = ids.reduce((rest, id) => rest + lineOf(base, id), lineOf(base, 'sun-on-modules'))
  expect(left).toBeCloseTo(lineOf(base, 'yield'), 3)
  for (const id of ids) expect(lineOf(base, id)).toBeLessThanOrEqual(0)
})

test('energy is kept between yield, house, grid and battery; bills follow', () => {
  for (const index of [0, 1]) {
    const summary = run(job.house, option(index))
    const lost = index === 1 ? lineOf(summary, 'battery-loss') : 0
    // The inverter's own use at night is bought.
    const night = base.carpet.yield.reduce((s, kwh) => s + Math.max(0, -kwh), 0)
    expect(lineOf(summary, 'used') - lost + lineOf(summary, 'sold')).toBeCloseTo(
      lineOf(summary, 'yield') + night,
      0,
    )
    expect(lineOf(summary, 'used') + lineOf(summary, 'bought')).toBeCloseTo(11_400 + night, 0)
    expect(summary.monthly.billAfter.reduce((s, m) => s + m, 0)).toBeCloseTo(lineOf(summary, 'bill-then'), 4)
  }
})

test('a battery raises self-sufficiency and lowers the bill; no tree, no shade of it', () => {
  const stored = run(job.house, option(1))
  expect(lineOf(stored, 'self-sufficiency')).toBeGreaterThan(lineOf(base, 'self-sufficiency') + 0.1)
  expect(lineOf(stored, 'bill-then')).toBeLessThan(lineOf(base, 'bill-then'))
  const cut = run(without(job.house, 'tree-2'), option(0))
  expect(lineOf(cut, 'shade')).toBeGreaterThan(lineOf(base, 'shade'))
  expect(cut.shadeBill.map((item) => item.id)).not.toContain('tree-2')
})

test('every line says how it came about', () => {
  for (const { explanation } of base.ledger) {
    expect(explanation.formula.length).toBeGreaterThan(5)
    expect(explanation.source.length).toBeGreaterThan(5)
    for (const input of explanation.inputs) expect(Number.isNaN(input.value)).toBe(false)
  }
})

test('broken rules are found, with figure and limit', () => {
  const long = run(
    job.house,
    withField(withField(option(0), 'electrical', { inverterId: 'halyard-3800' }), 'cover', {
      moduleId: 'quillmark-375',
    }),
  )
  for (const check of long.checks)
    for (const value of [check.measured?.figure ?? 0, check.measured?.limit ?? 0])
      expect(Number.isFinite(value)).toBe(true)
  const strung = run(job.house, withField(option(0), 'electrical', { modulesPerString: 2 }))
  expect(strung.checks.map((check) => check.title)).toContain('More strings than inputs')
  expect(strung.checks.some((check) => check.title.includes('too few modules') && check.remedy)).toBe(true)
  const far = run(withField(job.house, 'site', { stationId: 'harrow-ridge' }), option(0))
  expect(far.checks.find((check) => check.id === 'station-far')?.severity).toBe('note')
})

/** Everything but the times as text; series by the digest of their bytes. */
const bits = ({ times: _times, ...summary }: RunSummary) =>
  JSON.stringify(summary, (_key, value: unknown) =>
    ArrayBuffer.isView(value)
      ? createHash('sha256')
          .update(new Uint8Array(value.buffer, value.byteOffset, value.byteLength))
          .digest('hex')
      : value,
  )

/** Edits a designer makes, one after the other. */
const edit = fc.oneof(
  fc.record({ what: fc.constant('ridge' as const), pitch: fc.integer({ min: 20, max: 45 }) }),
  fc.record({ what: fc.constant('chimney' as const), x: fc.integer({ min: -20, max: 20 }) }),
  fc.record({ what: fc.constant('tree' as const), height: fc.integer({ min: 4, max: 14 }) }),
  fc.record({ what: fc.constant('module' as const), slot: fc.constantFrom('0:1', '0:2', '1:3', '1:4') }),
  fc.record({ what: fc.constant('price' as const), price: fc.integer({ min: 1, max: 5 }) }),
  fc.record({ what: fc.constant('load' as const), kwh: fc.integer({ min: 2000, max: 20_000 }) }),
  fc.record({
    what: fc.constant('battery' as const),
    id: fc.constantFrom('kestrelite-5', 'marrowstone-13', null),
  }),
  fc.record({ what: fc.constant('export' as const), price: fc.integer({ min: 0, max: 20 }) }),
)
type Edit = typeof edit extends fc.Arbitrary<infer E> ? E : never

function apply(house: Objects, objects: Objects, e: Edit): [Objects, Objects] {
  const volume = house['volume-1']
  const array = objects['array-south']
  if (volume?.kind !== 'volume' || array?.kind !== 'array')
    throw new Error('the shipped job has a house and an array')
  if (e.what === 'ridge')
    return [
      withField(house, 'volume-1', {
        edges: volume.edges.map((side) => ('gable' in side ? side : { pitchDeg: e.pitch })),
      }),
      objects,
    ]
  if (e.what === 'chimney') return [withField(house, 'chimney-1', { center: [e.x / 10, -1] }), objects]
  if (e.what === 'tree') return [withField(house, 'tree-1', { heightM: e.height }), objects]
  if (e.what === 'load') return [withField(house, 'load', { annualKwh: e.kwh }), objects]
  if (e.what === 'export') return [withField(house, 'tariff-then', { exportPerKwh: e.price / 100 }), objects]
  if (e.what === 'price') return [house, withField(objects, 'offer', { pricePerWatt: e.price })]
  if (e.what === 'battery') return [house, withField(objects, 'storage', { batteryId: e.id })]
  const removed = array.removed.includes(e.slot)
    ? array.removed.filter((slot) => slot !== e.slot)
    : [...array.removed, e.slot]
  return [house, withField(objects, 'array-south', { removed })]
}

test('the incremental pipeline equals a run from scratch, to the last bit', () => {
  fc.assert(
    fc.property(fc.array(edit, { minLength: 3, maxLength: 6 }), (edits) => {
      const kept = new Pipeline()
      let [house, objects] = [job.house, option(0)]
      for (const e of edits) {
        ;[house, objects] = apply(house, objects, e)
        run(house, objects, kept)
      }
      expect(bits(run(house, objects, kept))).toBe(bits(run(house, objects)))
    }),
    { seed: 20261123, numRuns: 8 },
  )
}, 120_000)

test('an edit of the price recomputes the money alone', () => {
  const pipeline = new Pipeline()
  run(job.house, option(0), pipeline)
  const { times } = run(job.house, withField(option(0), 'offer', { pricePerWatt: 3.5 }), pipeline)
  expect(times.filter((stage) => stage.fresh).map((stage) => stage.name)).toEqual(['finance'])
})
