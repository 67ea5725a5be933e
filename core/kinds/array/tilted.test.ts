import { freshGraph, runOf, set, worldOf } from '@/town/testing'
import { shippedJobs } from '@/town/shipped-job'
import { arrayRows } from '../../readers/array-table'
import { summarise } from '../../readers/summary'
import { siteStage } from '../../stages/site'
import { rowGapM } from '../../sun/row-gap'
import { siteIn } from '../../stages/world'

const flat = shippedJobs['valdecorva-job.json']?.()
const shipped = flat?.options[0]?.objects
const roof = shipped?.['array-roof']
if (!flat || roof?.kind !== 'array') throw new Error('Valdecorva has a flat roof')
/** With the modules of the roof flat on it, as the others are tilted from. */
const { tilt: _tilt, turnDeg: _turnDeg, ...level } = roof
const option = { ...shipped, [roof.id]: { ...level, removed: [], liftM: 0.2 } }
const graph = freshGraph()
const yearOf = async (fields: object) => {
  const world = await worldOf(flat.house, set(option, 'array-roof', fields))
  const run = runOf(world, graph)
  const laid = run.value(siteStage).arrays.find(({ id }) => id === 'array-roof')
  const own = summarise(run, world).panels.filter(({ arrayId }) => arrayId === 'array-roof')
  return { laid, own }
}
const mean = (panels: readonly { readonly sunAccess: number }[]) =>
  panels.reduce((sum, { sunAccess }) => sum + sunAccess, 0) / panels.length

test('tilted rows face where they are turned to, get more sun than level ones, and cool in the open', async () => {
  const flatly = await yearOf({})
  const tilted = await yearOf({ tilt: { tiltDeg: 30, rowGapM: 2.5, ridgeGapM: null } })
  expect(flatly.laid?.plane.pitchDeg).toBeCloseTo(0, 6)
  expect(tilted.laid?.plane.pitchDeg).toBeCloseTo(30, 6)
  expect(tilted.laid?.airGapM).toBeNull()
  expect(flatly.laid?.airGapM).toBeCloseTo(0.2, 9)
  const sun = ({ own }: typeof flatly) =>
    own.reduce((sum, { sunKwhM2 }) => sum + sunKwhM2, 0) / Math.max(1, own.length)
  expect(sun(tilted)).toBeGreaterThan(sun(flatly) * 1.1)
  expect(tilted.own.length).toBeLessThan(flatly.own.length)
}, 60_000)

test('rows that stand close shade each other, and at the gap for the shortest day hardly any more', async () => {
  const { own: close, laid } = await yearOf({ tilt: { tiltDeg: 30, rowGapM: 0.3, ridgeGapM: null } })
  const { latitudeDeg } = siteIn(await worldOf(flat.house, option))
  const facingDeg = laid?.plane.azimuthDeg ?? 180
  const free = rowGapM({ latitudeDeg, tiltDeg: 30, facingDeg, slopeM: 1.72, fromHour: 10, toHour: 14 })
  expect(free).toBeGreaterThan(1)
  const apart = (await yearOf({ tilt: { tiltDeg: 30, rowGapM: free, ridgeGapM: null } })).own
  const behind = (panels: typeof close) => panels.filter(({ id }) => !id.includes('/0:'))
  expect(behind(close).length).toBeGreaterThan(0)
  expect(mean(behind(close))).toBeLessThan(mean(behind(apart)) - 0.05)
}, 60_000)

test('what is taken out of a row throws no shadow on the next', async () => {
  const tilt = { tiltDeg: 30, rowGapM: 0.3, ridgeGapM: null }
  const whole = await yearOf({ tilt })
  const inFront = whole.own.flatMap(({ slot }) => (slot.startsWith('0:') ? [slot] : []))
  const emptied = await yearOf({ tilt, removed: inFront })
  expect(inFront.length).toBeGreaterThan(3)
  expect(emptied.own.length).toBe(whole.own.length - inFront.length)
  const behind = (year: typeof whole) => year.own.filter(({ slot }) => slot.startsWith('1:'))
  expect(mean(behind(emptied))).toBeGreaterThan(mean(behind(whole)) + 0.04)
}, 60_000)

test('pairs of rows face both ways: each side has its own light, and the table tells them apart', async () => {
  const tilt = { tiltDeg: 12, rowGapM: 0.25, ridgeGapM: 0.05 }
  const world = await worldOf(flat.house, set(option, 'array-roof', { turnDeg: -90, tilt }))
  const run = runOf(world, graph)
  const site = run.value(siteStage)
  const sides = site.faces.filter(({ id }) => id === 'array-roof')
  expect(sides).toHaveLength(2)
  const [east, west] = sides.map(({ plane }) => plane.azimuthDeg)
  expect((((west ?? 0) - (east ?? 0) + 360) % 360).toFixed(6)).toBe('180.000000')
  const together = site.arrays.find(({ id }) => id === 'array-roof')
  expect(together?.panels).toHaveLength(sides.reduce((sum, { panels }) => sum + panels.length, 0))
  const summary = summarise(run, world)
  expect(summary.panels.map(({ id }) => id)).toEqual(
    site.arrays.flatMap(({ panels }) => panels.map(({ id }) => id)),
  )
  const rows = arrayRows(site.faces, summary, 'direction')
  const ofRoof = rows.filter(({ arrayIds }) => arrayIds.includes('array-roof'))
  expect(ofRoof).toHaveLength(2)
  const [one, other] = ofRoof
  expect(one?.kwh).toBeGreaterThan(0)
  // Nearly alike: one looks towards the morning, the other towards the evening.
  expect((one?.kwh ?? 0) / (other?.kwh ?? 1)).toBeGreaterThan(0.85)
  expect((one?.kwh ?? 0) / (other?.kwh ?? 1)).toBeLessThan(1.18)
  const [whole] = arrayRows(site.faces, summary, 'array').filter(
    ({ arrayIds }) => arrayIds[0] === 'array-roof',
  )
  expect(whole).toMatchObject({ modules: together?.panels.length, azimuthDeg: null })
  expect(whole?.kwh).toBeCloseTo((one?.kwh ?? 0) + (other?.kwh ?? 0), 6)
}, 60_000)
