import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { dot3 } from '../geometry/vector'
import { siteId } from '../kinds/site/site'
import { farHorizonId, type ReceiverShade } from '../shade/engine'
import { ledgerOf } from '../readers/ledger'
import { lossChainStage } from './loss-chain'
import { panelLightStage } from './panel-light'
import { shadeBillStage } from './shade-bill'
import { mappedFaces, sunMapStage } from './sun-map'
import { siteStage } from './site'
import { sunStage } from './sun'
import { visibilityStage } from './visibility'

const around = (farHorizon: readonly (readonly [number, number])[]) =>
  worldOf(set(job.house, siteId, { farHorizon }), option)

// A valley that runs north and south, and one open to the south alone.
const valley = [
  [60, 24],
  [120, 24],
  [150, 2],
  [210, 2],
  [240, 24],
  [300, 24],
  [330, 4],
  [30, 4],
] as const
const graph = freshGraph()
const open = runOf(await around([]), graph)
const level = runOf(
  await around([
    [0, 0],
    [180, 0],
  ]),
  graph,
)
const shut = runOf(await around(valley), graph)
const yieldOf = (run: typeof open) => ledgerOf(run).find(({ id }) => id === 'yield')?.value ?? NaN

test('hills take light, are charged for it by themselves, and the bill sums to the loss', () => {
  const bill = shut.value(shadeBillStage).casters
  const hills = bill.find(({ id }) => id === farHorizonId)
  const chain = shut.value(lossChainStage)
  expect(hills?.kwh).toBeGreaterThan(300)
  expect(hills?.skyKwh).toBeGreaterThan(20)
  const summed = bill.reduce((sum, { kwh }) => sum + kwh, 0)
  // Light that grazes the glass is lost to nobody.
  expect(Math.abs(summed - chain.lost.shade.kwh) / chain.lost.shade.kwh).toBeLessThan(0.002)
  expect(open.value(shadeBillStage).casters.some(({ id }) => id === farHorizonId)).toBe(false)
  expect(yieldOf(open) - yieldOf(shut)).toBeGreaterThan(250)
})

test('a level horizon takes nothing', () => {
  expect(yieldOf(level)).toBeCloseTo(yieldOf(open), 6)
  expect(level.value(shadeBillStage).casters).toEqual(open.value(shadeBillStage).casters)
})

test('in each interval what is lit and what each takes are the whole beam, hills before trees', () => {
  const sun = shut.value(sunStage)
  const shades = shut.value(visibilityStage)
  let [hidden, worst] = [0, 0]
  for (const { value } of shades.slice(0, 6)) {
    const takenAt = new Map<number, number>()
    const hills = new Set<number>()
    for (const { caster, at, share } of value.takenBy)
      at.forEach((entry, i) => {
        takenAt.set(entry, (takenAt.get(entry) ?? 0) + (share[i] ?? 0))
        if (caster === farHorizonId) hills.add(entry)
      })
    value.shaded.forEach((entry, i) => {
      const taken = takenAt.get(entry)
      if (taken !== undefined) worst = Math.max(worst, Math.abs(1 - taken - (value.litMean[i] ?? NaN)))
    })
    for (const entry of hills) {
      hidden++
      // Nothing of the valley is higher than 24 degrees, and due south nothing than 2.
      expect(sun.zenithDeg[entry] ?? NaN).toBeGreaterThan(65.9)
      expect(litAt(value, entry)).toBe(0)
    }
  }
  expect(hidden).toBeGreaterThan(1000)
  expect(worst).toBeLessThan(1e-6)
})

const litAt = ({ shaded, litMean }: ReceiverShade, entry: number): number =>
  litMean[shaded.indexOf(entry)] ?? 1

test('the map of each roof that carries modules loses what its modules lose', () => {
  const lossOfMaps = mappedFaces(open.value(siteStage).objects).map(({ face }, i) => {
    const light = (run: typeof open) => {
      const values = run.value(sunMapStage)[i]?.value[0]?.values ?? new Float32Array()
      return values.reduce((sum, value) => sum + value, 0)
    }
    return { normal: face.normal, lost: 1 - light(shut) / light(open) }
  })
  let first = 0
  for (const { panels, plane } of open.value(siteStage).faces) {
    const light = (run: typeof open) =>
      run
        .value(panelLightStage)
        .slice(first, first + panels.length)
        .reduce((sum, { value }) => sum + value.meanKwhM2, 0)
    const lost = 1 - light(shut) / light(open)
    first += panels.length
    const alike = lossOfMaps.filter(({ normal }) => dot3(normal, plane.normal) > 0.9999)
    expect(lost).toBeGreaterThan(0.03)
    expect(alike.length).toBeGreaterThan(0)
    expect(Math.min(...alike.map((map) => Math.abs(map.lost - lost)))).toBeLessThan(0.012)
  }
})

test('hills that change recompute what light falls where, and no shadow of a tree', async () => {
  const other = runOf(
    await around(valley.map(([azimuth, elevation]) => [azimuth, elevation / 2] as const)),
    graph,
  )
  const fresh = runOf(await around(valley.map(([azimuth, elevation]) => [azimuth, elevation / 2] as const)))
  expect(yieldOf(other)).toBe(yieldOf(fresh))
  expect(yieldOf(other)).toBeGreaterThan(yieldOf(shut))
  expect(yieldOf(other)).toBeLessThan(yieldOf(open))
})
