import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { shippedJobs } from '@/town/shipped-job'
import { coverId } from '../../kinds/cover/cover'
import { type Objects } from '../../kinds/documents'
import { siteId } from '../../kinds/site/site'
import { partCounts, partsCsv } from '../../parts/mounting-parts'
import { holdingRows, worstLoads } from '../../readers/structure-table'
import { siteStage } from '../site'
import { holdingsIn, structureStage } from '../structure'
import { structureAccount } from './structure'

const graph = freshGraph()
const runFor = async (house: Objects, design: Objects) => {
  const world = await worldOf(house, design)
  return { world, run: runOf(world, graph) }
}
const checksFor = async (house: Objects, design: Objects) =>
  (await runFor(house, design)).run.value(structureAccount).checks
const covered = (fields: object) => set(option, coverId, fields)
const placed = (fields: object) => set(job.house, siteId, fields)

test('all shipped jobs hold as they are, and are told the same on the page as in the chain', async () => {
  for (const make of Object.values(shippedJobs)) {
    const { house, options } = make()
    for (const { objects } of options) {
      const { world, run } = await runFor(house, objects)
      expect(run.value(structureAccount).checks).toEqual([])
      const holdings = run.value(structureStage)
      expect(holdings.length).toBeGreaterThan(0)
      expect(holdingsIn(run.value(siteStage), world)).toEqual(holdings)
    }
  }
})

test('attachments too far apart are told with figure and limit, and one click brings them closer', async () => {
  const design = covered({ footEvery: 6 })
  const checks = await checksFor(job.house, design)
  const load = checks.find(({ code }) => code === 'foot-load')
  expect(load?.measured?.figure).toBeGreaterThan(load?.measured?.limit ?? Infinity)
  expect(load?.remedy).toEqual({
    code: 'feet-automatically',
    set: { id: coverId, field: 'footEvery', value: null },
  })
  expect(checks.map(({ code }) => code)).toContain('rail-span')
  expect(await checksFor(job.house, set(design, coverId, { footEvery: null }))).toEqual([])
})

test('a mounting for another covering, or for none, is said; nothing else of that array is', async () => {
  const checks = await checksFor(job.house, covered({ mountingId: 'brackwater-seam' }))
  expect(checks.map(({ code }) => code)).toEqual(['mounting-unsuited', 'mounting-unsuited'])
  expect(checks[0]?.remedy?.set).toEqual({ id: coverId, field: 'mountingId', value: null })
  const gone = await checksFor(job.house, covered({ mountingId: 'gone' }))
  expect(gone.map(({ code, data }) => [code, data?.['covering']])).toEqual([
    ['mounting-none', 'other'],
    ['mounting-none', 'other'],
  ])
  // A membrane on a slope: no weight lies still there.
  const sloped = await checksFor(placed({ roofCovering: 'membrane' }), option)
  expect(new Set(sloped.map(({ code }) => code))).toEqual(new Set(['mounting-none']))
  const tiles = { id: siteId, field: 'roofCovering', value: 'tile' }
  expect(sloped[0]).toMatchObject({ data: { covering: 'slope' }, remedy: { set: tiles } })
  expect(await checksFor(placed({ roofCovering: 'tile' }), option)).toEqual([])
  const trays = await checksFor(
    placed({ roofCovering: 'membrane' }),
    covered({ flatMountingId: 'pendrell-tray' }),
  )
  expect(trays[0]).toMatchObject({ code: 'mounting-unsuited', remedy: { set: { field: 'flatMountingId' } } })
})

test('what the roof has to spare is held against what lies on it', async () => {
  expect(await checksFor(placed({ roofReserveKpa: 0.5 }), option)).toEqual([])
  const [check] = await checksFor(placed({ roofReserveKpa: 0.05 }), option)
  expect(check).toMatchObject({ code: 'roof-load', measured: { limit: 0.05, unit: 'kN/m²' } })
  expect(check?.measured?.figure).toBeGreaterThan(0.1)
})

test('rafters too far apart for a rail are told', async () => {
  const codes = (await checksFor(placed({ rafterSpacingM: 3 }), option)).map(({ code }) => code)
  expect(codes).toContain('rail-span')
})

test('more wind takes more attachments, and more ballast until no tray takes it', async () => {
  const rowsFor = async (house: Objects, design: Objects) =>
    holdingRows((await runFor(house, design)).run.value(structureStage))
  const feet = async (windMs: number) =>
    (await rowsFor(placed({ windMs }), option)).reduce((sum, row) => sum + (row.feet ?? 0), 0)
  expect(await feet(30)).toBeLessThan(await feet(58))
  const flat = shippedJobs['valdecorva-job.json']?.()
  const first = flat?.options[0]?.objects
  if (!flat || !first) throw new Error('it is shipped')
  const stormy = set(flat.house, siteId, { windMs: 45 })
  const [row] = await rowsFor(stormy, first)
  const [calm] = await rowsFor(flat.house, first)
  expect(row?.blocks).toBeGreaterThan(calm?.blocks ?? Infinity)
  const [check] = await checksFor(stormy, first)
  expect(check).toMatchObject({ code: 'ballast-many', measured: { limit: 8, unit: 'count' } })
})

test('loads are the greatest of all arrays, whichever comes first', async () => {
  const holdings = (await runFor(job.house, option)).run.value(structureStage)
  const [first, second] = holdings
  if (first?.is !== 'rails' || second?.is !== 'rails') throw new Error('both are on rails')
  const steeper = {
    ...second,
    windKpa: 9,
    pressures: [{ zone: 'edge' as const, upKpa: 8, downKpa: 0.1 }],
  }
  const edge = first.pressures.find(({ zone }) => zone === 'edge')
  for (const order of [
    [first, steeper],
    [steeper, first],
  ]) {
    const { windKpa, zones } = worstLoads(order)
    expect(windKpa).toBe(9)
    expect(zones.find(({ zone }) => zone === 'edge')).toEqual({
      zone: 'edge',
      upKpa: 8,
      downKpa: edge?.downKpa,
    })
  }
  expect(worstLoads([])).toEqual({ windKpa: null, zones: [] })
})

test('parts are those that are drawn, and written as a file', async () => {
  const { run } = await runFor(job.house, option)
  const holdings = run.value(structureStage)
  const parts = partCounts(holdings)
  const counts = Object.fromEntries(parts.map(({ part, count }) => [part, count]))
  const rows = holdingRows(holdings)
  expect(counts['foot']).toBe(rows.reduce((sum, row) => sum + (row.feet ?? 0), 0))
  const modules = run.value(siteStage).arrays.reduce((sum, { panels }) => sum + panels.length, 0)
  // Two rails to a row: a clamp of each rail at both sides of each module, those between two shared.
  expect((counts['end-clamp'] ?? 0) + 2 * (counts['middle-clamp'] ?? 0)).toBe(4 * modules)
  const lines = partsCsv(parts).trimEnd().split('\n')
  expect(lines).toHaveLength(parts.length + 1)
  expect(lines[1]).toMatch(/^Orrendale,"Orrendale 38, flashed feet",rail,\d+,4\.27,$/)
})
