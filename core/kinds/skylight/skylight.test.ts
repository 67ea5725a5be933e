import fc from 'fast-check'
import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { dot3, sub3, type Vec3 } from '../../geometry/vector'
import { pick } from '../../site/pick'
import { panelsOf, standingById } from '../../site/site'
import { checksOf } from '../../readers/ledger'
import { shadeBillStage } from '../../stages/shade-bill'
import { siteStage } from '../../stages/site'
import { skylightGeometry } from './geometry'
import { skylightKind } from './kind'
import { defaultSkylight, skylightSchema, type Skylight } from './skylight'

const graph = freshGraph()
const plain = runOf(await worldOf(), graph).value(siteStage)
const [taken] = panelsOf(plain)
if (!taken) throw new Error('the shipped job has modules')
const middle = (corners: readonly Vec3[], axis: 0 | 1) =>
  ((corners[0]?.[axis] ?? 0) + (corners[2]?.[axis] ?? 0)) / 2
const skylight: Skylight = {
  ...defaultSkylight,
  id: 'skylight-1',
  // Where a module lies now.
  center: [middle(taken.corners, 0), middle(taken.corners, 1)],
}
const withSkylight = (fields: Partial<Skylight> = {}) =>
  worldOf(set(job.house, skylight.id, { ...skylight, ...fields }), option)

test('it lies flush in its plane: every corner at or above it, by no more than the upstand', async () => {
  const site = runOf(await withSkylight(), graph).value(siteStage)
  const { geometry } = standingById(site, skylight.id) ?? {}
  const face = plain.objects
    .flatMap(({ geometry: { faces } }) => faces)
    .find((f) => Math.abs(f.azimuthDeg - taken_azimuth()) < 1)
  if (!geometry || !face) throw new Error('it stands on a plane')
  const over = (p: Vec3) => dot3(face.normal, sub3(p, face.corners[0] ?? [0, 0, 0]))
  const heights = geometry.surfaces.flatMap(({ corners }) => corners.map(over))
  expect(Math.min(...heights)).toBeCloseTo(0, 9)
  expect(Math.max(...heights)).toBeCloseTo(skylight.upstandM, 9)
  expect(geometry.fault).toBeNull()
})
const taken_azimuth = () => plain.arrays.find(({ id }) => id === taken.arrayId)?.plane.azimuthDeg ?? NaN

test('it keeps modules off, and shades next to nothing', async () => {
  const run = runOf(await withSkylight(), graph)
  expect(panelsOf(run.value(siteStage)).length).toBeLessThan(panelsOf(plain).length)
  const kwh = run.value(shadeBillStage).casters.find(({ id }) => id === skylight.id)?.kwh ?? 0
  expect(kwh).toBeLessThan(15)
})

test('it is picked from above and dragged along the roof', async () => {
  const site = runOf(await withSkylight(), graph).value(siteStage)
  const ray = { origin: [...skylight.center, 50] as Vec3, direction: [0, 0, -1] as Vec3 }
  expect(pick(site, ray, null)).toMatchObject({ kind: 'object', id: skylight.id })
  expect(skylightKind.standing?.move?.along).toBe('faces')
})

test('off every roof it is still there to be picked, keeps nothing off, and says what to do', async () => {
  const run = runOf(await withSkylight({ center: [60, 60] }), graph)
  const site = run.value(siteStage)
  const ray = { origin: [60, 60, 50] as Vec3, direction: [0, 0, -1] as Vec3 }
  expect(pick(site, ray, null)).toMatchObject({ kind: 'object', id: skylight.id })
  expect(panelsOf(site)).toEqual(panelsOf(plain))
  expect(checksOf(run).find(({ code }) => code === 'not-built')).toMatchObject({ objects: [skylight.id] })
})

test('whatever the slope: sides of the size it has, grips in the middle of them, stretched as far as they are dragged', () => {
  fc.assert(
    fc.property(
      fc.record({
        tilt: fc.double({ min: 0, max: 1.2, noNaN: true }),
        turn: fc.double({ min: 0, max: 6.28, noNaN: true }),
        widthM: fc.double({ min: 0.2, max: 4, noNaN: true }),
        lengthM: fc.double({ min: 0.2, max: 4, noNaN: true }),
        upstandM: fc.double({ min: 0.01, max: 0.6, noNaN: true }),
      }),
      ({ tilt, turn, ...sizes }) => {
        const normal: Vec3 = [
          Math.sin(tilt) * Math.sin(turn),
          Math.sin(tilt) * Math.cos(turn),
          Math.cos(tilt),
        ]
        const given: Skylight = { ...skylight, ...sizes, center: [3, -2] }
        const geometry = skylightGeometry(given, { normal, heightM: 5 })
        const handles = skylightKind.standing?.handles(given, geometry) ?? []
        expect(handles.map(({ name }) => name)).toEqual(['width', 'length'])
        const away = handles.map(({ at }) => Math.hypot(...sub3(at, [3, -2, 5])))
        expect(away[0]).toBeCloseTo(sizes.widthM / 2, 9)
        expect(away[1]).toBeCloseTo(sizes.lengthM / 2, 9)
        expect(geometry.solids).toHaveLength(1)
        for (const handle of handles) {
          const [x, y] = [handle.at[0] - 3, handle.at[1] + 2]
          const fields = skylightKind.standing?.drag(given, handle, {
            heightM: 0,
            at: [3 + x * 1.5, -2 + y * 1.5],
          })
          const field = handle.name === 'width' ? 'widthM' : 'lengthM'
          expect(fields?.[field]).toBeCloseTo(Math.min(4, given[field] * 1.5), 3)
          const through = skylightKind.standing?.drag(given, handle, { heightM: 0, at: [3 - x, -2 - y] })
          expect(skylightSchema.safeParse({ ...given, ...through }).success).toBe(true)
        }
      },
    ),
    { seed: 8, numRuns: 200 },
  )
})
