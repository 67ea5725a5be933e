import { freshGraph, job, option, rack, runOf, set, worldOf } from '@/town/testing'
import { type Objects } from '../kinds/documents'
import { siteStage } from '../stages/site'
import { arrayCsv, arrayGroupings, arrayRows } from './array-table'
import { summarise } from './summary'

const graph = freshGraph()
const of = async (objects: Objects) => {
  const world = await worldOf(job.house, objects)
  const run = runOf(world, graph)
  return { summary: summarise(run, world), arrays: run.value(siteStage).arrays }
}
const { summary, arrays } = await of(option)
const arrayOf = (panelId: string) => panelId.split('/')[0]
const yieldOf = ({ ledger }: typeof summary) => ledger.find(({ id }) => id === 'yield')?.value ?? 0

test.each(arrayGroupings)('by %s modules, power and energy add up to the whole', (by) => {
  const rows = arrayRows(arrays, summary, by)
  const sum = (pick: (row: (typeof rows)[number]) => number) => rows.reduce((all, row) => all + pick(row), 0)
  expect(rows).toHaveLength(2)
  expect(sum(({ modules }) => modules)).toBe(summary.count)
  expect(sum(({ powerKw }) => powerKw)).toBeCloseTo(summary.powerW / 1000, 9)
  expect(sum(({ kwh }) => kwh)).toBeCloseTo(yieldOf(summary), 6)
})

test('the shipped job: 13 modules to the south give more for each kilowatt than 4 to the west', () => {
  const [south, west] = arrayRows(arrays, summary, 'array')
  expect(south).toMatchObject({
    arrayIds: ['array-south'],
    modules: 13,
    tiltDeg: expect.closeTo(34, 1) as number,
  })
  expect(south?.powerKw).toBeCloseTo(5.46, 9)
  expect(west?.modules).toBe(4)
  const each = (row: typeof south) => (row ? row.kwh / row.powerKw : 0)
  expect(each(south)).toBeGreaterThan(each(west) * 1.05)
  // Against a run of the southern array alone, which the inverter treats nearly the same.
  expect(south?.sunAccess).toBeGreaterThan(0.9)
})

test('strings over planes: each plane has what its own modules give', async () => {
  const held = await of(set(option, 'electrical', { optimizerId: 'thrushfield-430' }))
  expect(held.summary.strings.some(({ panelIds }) => new Set(panelIds.map(arrayOf)).size > 1)).toBe(true)
  const [south, west] = arrayRows(held.arrays, held.summary, 'array')
  expect((south?.kwh ?? 0) + (west?.kwh ?? 0)).toBeCloseTo(yieldOf(held.summary), 6)
  const without = set(set(option, 'electrical', { optimizerId: 'thrushfield-430' }), 'array-west', {
    removed: (arrays[1]?.places ?? []).map(({ slot }) => slot),
  })
  const alone = await of(without)
  expect(Math.abs((south?.kwh ?? 0) / yieldOf(alone.summary) - 1)).toBeLessThan(0.02)
})

test('an array alone yields about what the table says of it among others', async () => {
  const alone = await of(
    set(option, 'array-west', { removed: (arrays[1]?.places ?? []).map(({ slot }) => slot) }),
  )
  const [south] = arrayRows(arrays, summary, 'array')
  expect(Math.abs((south?.kwh ?? 0) / yieldOf(alone.summary) - 1)).toBeLessThan(0.02)
  const [, west] = arrayRows(alone.arrays, alone.summary, 'array')
  expect(west).toMatchObject({ modules: 0, powerKw: 0, sunAccess: null, kwh: 0 })
})

test('arrays of one direction stand in one line, on planes of their own in two', async () => {
  const turned = {
    ...rack,
    azimuthDeg: arrays[0]?.plane.azimuthDeg ?? 180,
    tiltDeg: arrays[0]?.plane.pitchDeg ?? 30,
  }
  const both = await of({ ...option, [rack.id]: { ...turned, tracking: 'fixed' } })
  expect(arrayRows(both.arrays, both.summary, 'plane')).toHaveLength(3)
  const rows = arrayRows(both.arrays, both.summary, 'direction')
  expect(rows.map(({ arrayIds }) => arrayIds)).toContainEqual(['array-south', rack.id])
})

test('as a table: a heading, a line for each, names quoted where they must be', () => {
  const text = arrayCsv(arrayRows(arrays, summary, 'array'), (id) =>
    id === 'array-south' ? 'South, "House"' : 'West',
  )
  const [heading, first, second, end] = text.split('\n')
  expect(heading).toBe('array,modules,power_kw,tilt_deg,azimuth_deg,sun_access,yield_kwh')
  expect(first).toMatch(/^"South, ""House""",13,5\.46,34,172,0\.9\d+,\d+\.\d+$/)
  expect(second).toMatch(/^West,4,1\.68,/)
  expect(end).toBe('')
})
