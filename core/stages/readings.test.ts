import { freshGraph, job, option, rack, runOf, set, worldOf } from '@/town/testing'
import { type Vec3 } from '../geometry/vector'
import { ofKind, type Objects } from '../kinds/documents'
import { type Reading } from '../kinds/reading/reading'
import { siteId } from '../kinds/site/site'
import { ledgerOf } from '../readers/ledger'
import { readingsId } from '../shade/engine'
import { type HorizonPoint } from '../shade/horizon-line'
import { silhouetteOf } from '../shade/silhouette'
import { shadeByBoth } from '../readers/reading-worth'
import { standingById } from '../site/site'
import { lossChainStage } from './loss-chain'
import { billedKwh, shadeBillStage } from './shade-bill'
import { siteStage } from './site'
import { mappedFaces, sunMapStage } from './sun-map'
import { visibilityStage } from './visibility'

const taken = (id: string, center: readonly [number, number], heights: readonly HorizonPoint[]): Reading => ({
  id,
  kind: 'reading',
  name: id,
  center,
  heightM: 0.1,
  heights: heights.map(([azimuth, elevation]) => [azimuth, elevation] as [number, number]),
})
const level: HorizonPoint[] = [
  [0, 0],
  [180, 0],
]
const withReadings = (house: Objects, readings: readonly Reading[], shadeFrom = 'readings'): Objects => ({
  ...set(house, siteId, { shadeFrom }),
  ...Object.fromEntries(readings.map((reading) => [reading.id, reading])),
})
const graph = freshGraph()
const run = async (house: Objects, objects = option) => runOf(await worldOf(house, objects), graph)
const yieldOf = (one: Awaited<ReturnType<typeof run>>) =>
  ledgerOf(one).find(({ id }) => id === 'yield')?.value ?? NaN
const billOf = (one: Awaited<ReturnType<typeof run>>) => one.value(shadeBillStage).casters

test('readings that nobody uses change nothing; without any the model is used', async () => {
  const plain = await run(job.house)
  const lying = await run(withReadings(job.house, [taken('reading-1', [0, 0], level)], 'model'))
  const none = await run(withReadings(job.house, []))
  for (const other of [lying, none]) {
    expect(other.keyed(visibilityStage).key).toBe(plain.keyed(visibilityStage).key)
    expect(yieldOf(other)).toBe(yieldOf(plain))
  }
})

test('a level horizon takes nothing, whatever is drawn; a tree that falls then changes nothing', async () => {
  const readings = [taken('reading-1', [0, 0], level)]
  const free = await run(withReadings(job.house, readings))
  expect(billedKwh(free.value(shadeBillStage))).toBe(0)
  expect(free.value(lossChainStage).lost.shade.kwh).toBeCloseTo(0, 3)
  expect(yieldOf(free)).toBeGreaterThan(yieldOf(await run(job.house)) + 200)
  const { 'tree-1': tree, ...bare } = job.house
  expect(tree?.kind).toBe('tree')
  const felled = await run(withReadings(bare, readings))
  expect(felled.keyed(visibilityStage).key).toBe(free.keyed(visibilityStage).key)
})

test('racks of the option still shade each other: no reading has seen them', async () => {
  const racked: Objects = { ...option, [rack.id]: { ...rack, rows: 3, columns: 3 } }
  const bill = billOf(await run(withReadings(job.house, [taken('reading-1', [0, 0], level)]), racked))
  expect(bill.map(({ id }) => id)).toEqual([rack.id])
  expect(bill[0]?.kwh).toBeGreaterThan(1)
})

test('the bill charges the readings, sums to the loss, and the maps of the roof lose light too', async () => {
  const valley: HorizonPoint[] = [
    [60, 24],
    [120, 24],
    [180, 6],
    [240, 24],
    [300, 24],
    [0, 4],
  ]
  const open = await run(withReadings(job.house, [taken('reading-1', [0, 0], level)]))
  const shut = await run(withReadings(job.house, [taken('reading-1', [0, 0], valley)]))
  expect(billOf(shut).map(({ id }) => id)).toEqual([readingsId])
  const lost = shut.value(lossChainStage).lost.shade.kwh
  expect(lost).toBeGreaterThan(300)
  expect(Math.abs(billedKwh(shut.value(shadeBillStage)) / lost - 1)).toBeLessThan(0.002)
  const assumed = ledgerOf(shut).find(({ id }) => id === 'shade')?.explanation.assumptions
  expect(assumed).toContainEqual({ code: 'shade-by-readings', data: { count: 1 } })
  const light = (one: typeof open) =>
    mappedFaces(one.value(siteStage).objects).map((_face, i) =>
      (one.value(sunMapStage)[i]?.value[0]?.values ?? new Float32Array()).reduce((sum, v) => sum + v, 0),
    )
  const [before, after] = [light(open), light(shut)]
  expect(before.length).toBeGreaterThan(2)
  after.forEach((sum, i) => expect(sum).toBeLessThan(0.985 * (before[i] ?? 0)))
})

/** The horizon that a device would measure at a point of the model. */
function measuredIn(objects: ReturnType<typeof siteObjects>, from: Vec3): HorizonPoint[] {
  const step = 0.5
  const tops = new Float64Array(360 / step)
  for (const { geometry } of objects)
    for (const body of [...geometry.solids, ...geometry.crowns])
      silhouetteOf(from, body, step).spans.forEach((span, i) => {
        if (span) tops[i] = Math.min(80, Math.max(tops[i] ?? 0, span[1]))
      })
  return Array.from(tops, (top, i): HorizonPoint => [i * step, top])
}
const siteObjects = (one: Awaited<ReturnType<typeof run>>) => one.value(siteStage).objects

test('readings taken in the model tell the shade that the model tells', async () => {
  // Opaque things alone, since a reading lets nothing through, and none so near that its shadow crosses a module.
  const bare = Object.fromEntries(
    Object.entries(job.house).filter(([, { kind }]) => !['tree', 'chimney', 'dormer'].includes(kind)),
  )
  const oblong = [
    [6.573, 4.963],
    [-7.687, 2.959],
    [-6.573, -4.963],
    [7.687, -2.959],
  ]
  const solid = set(bare, 'volume-1', { outline: oblong, edges: oblong.map(() => ({ pitchDeg: 30 })) })
  const tower = {
    ...ofKind(job.house, 'chimney')[0],
    id: 'tower',
    name: 'Tower',
    center: [-3, -14],
    widthM: 3,
    depthM: 3,
    heightM: 12,
  } as unknown as Objects[string]
  const house: Objects = { ...solid, tower }
  const model = await run(house)
  const { panels } = model.value(siteStage).faces[0] ?? { panels: [] }
  const objects = siteObjects(model)
  const readings = panels.map(({ corners: [a, , c] }, k): Reading => {
    const middle: Vec3 = [(a[0] + c[0]) / 2, (a[1] + c[1]) / 2, (a[2] + c[2]) / 2 + 0.03]
    return taken(`reading-${k}`, [middle[0], middle[1]], measuredIn(objects, middle))
  })
  const measured = await run(withReadings(house, readings))
  const lostOf = (one: typeof model) =>
    one
      .value(visibilityStage)
      .slice(0, panels.length)
      .map(({ value }) => {
        const taking = value.takenBy.flatMap(({ share }) => [...share])
        return taking.reduce((sum, share) => sum + share, 0)
      })
  const [byModel, byReadings] = [lostOf(model), lostOf(measured)]
  const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0)
  expect(sum(byModel)).toBeGreaterThan(1000)
  expect(sum(byReadings) / sum(byModel)).toBeGreaterThan(0.97)
  expect(sum(byReadings) / sum(byModel)).toBeLessThan(1.03)
})

test('what both sources make of an option, whichever is in force', async () => {
  const patience = { atMostMs: 1000, pause: () => Promise.resolve(true) }
  const readings = [taken('reading-1', [0, 0], level)]
  const both = async (shadeFrom: string) =>
    shadeByBoth(graph, await worldOf(withReadings(job.house, readings, shadeFrom), option), patience)
  const [one, other] = [await both('model'), await both('readings')]
  expect(one).toEqual(other)
  expect(one?.model.yieldKwh).toBeCloseTo(yieldOf(await run(job.house)), 6)
  expect(one?.readings).toMatchObject({ shadeKwh: 0 })
  expect(await shadeByBoth(graph, await worldOf(job.house, option), patience)).toBeNull()
})

test('only the place and the horizon of a reading count; moving one over the roof moves what it stands for', async () => {
  const [low, high]: [HorizonPoint[], HorizonPoint[]] = [
    level,
    [
      [0, 30],
      [180, 30],
    ],
  ]
  const at = (x: number) =>
    withReadings(job.house, [taken('reading-1', [-4, 0], low), taken('reading-2', [x, 0], high)])
  const [near, far] = [await run(at(4)), await run(at(30))]
  expect(standingById(near.value(siteStage), 'reading-2')?.geometry.topM).toBeGreaterThan(3)
  expect(yieldOf(far)).toBeGreaterThan(yieldOf(near) + 50)
  const renamed = await run(set(at(4), 'reading-2', { name: 'Another name' }))
  expect(renamed.keyed(visibilityStage).key).toBe(near.keyed(visibilityStage).key)
  expect(yieldOf(runOf(await worldOf(at(30), option), freshGraph()))).toBe(yieldOf(far))
})
