import fc from 'fast-check'
import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { signedArea } from '../../geometry/polygon'
import { newell, unit3, type Vec3 } from '../../geometry/vector'
import { faultIn } from '../../model/fault-in'
import { toDegrees, toRadians } from '../../model/units'
import { planeHeightM, planOf } from '../../roof/plane'
import { checksOf } from '../../readers/ledger'
import { pick } from '../../site/pick'
import { panelsOf, standingById } from '../../site/site'
import { shadeBillStage } from '../../stages/shade-bill'
import { siteStage } from '../../stages/site'
import { defaultArray } from '../array/array'
import { defaultDormer, dormerForms, dormerSchema, type Dormer } from './dormer'
import { dormerGeometry, fittedDormer } from './geometry'
import { type DormerGround } from './ground'
import { dormerKind } from './kind'
import { dormerShape } from './shape'

const measures = fc.record({
  form: fc.constantFrom(...dormerForms),
  widthM: fc.double({ min: 0.5, max: 12, noNaN: true }),
  wallHeightM: fc.double({ min: 0.2, max: 4, noNaN: true }),
  pitchDeg: fc.double({ min: 1, max: 75, noNaN: true }),
})
const planes = fc.double({ min: 3, max: 70, noNaN: true })

/** Shapes of what may stand; a shed that is too steep for its plane is left out. */
const shapes = (
  check: (shape: ReturnType<typeof dormerShape>, given: { rise: number; pitch: number }) => void,
) =>
  fc.assert(
    fc.property(measures, planes, (given, planeDeg) => {
      fc.pre(given.form !== 'shed' || given.pitchDeg < planeDeg - 2)
      const rise = Math.tan(toRadians(planeDeg))
      check(dormerShape(given, planeDeg), { rise, pitch: given.form === 'flat' ? 0 : given.pitchDeg })
    }),
    { seed: 11, numRuns: 2000 },
  )

test('a gable dormer of two by one metres on a roof of 45 degrees, by hand', () => {
  const shape = dormerShape({ form: 'gable', widthM: 2, wallHeightM: 1, pitchDeg: 45 }, 45)
  expect(shape.depthM).toBeCloseTo(2, 12)
  expect(shape.topM).toBeCloseTo(2, 12)
  // Each side from above is a trapezium one wide, one deep at the eave and two at the ridge.
  for (const { corners } of shape.faces) expect(signedArea(planOf(corners))).toBeCloseTo(1.5, 12)
  expect(signedArea(shape.outline)).toBeCloseTo(3, 12)
})

test('a hip that meets the plane before its sides meet has no ridge', () => {
  const edges = (wallHeightM: number) =>
    dormerShape({ form: 'hip', widthM: 4, wallHeightM, pitchDeg: 20 }, 45).faces.flatMap((face) => face.edges)
  expect(edges(0.5)).not.toContain('ridge')
  expect(edges(2)).toContain('ridge')
})

test('it is closed: what walls and planes do not share with each other lies on the plane it stands on', () => {
  shapes(({ faces, walls }, { rise }) => {
    const named = (p: Vec3) => p.map((v) => (Math.round(v * 1e6) / 1e6 || 0).toFixed(6)).join(' ')
    const open = new Map<string, readonly [Vec3, Vec3]>()
    for (const corners of [...faces.map((face) => face.corners), ...walls])
      corners.forEach((a, i) => {
        const b = corners[(i + 1) % corners.length] ?? a
        const back = `${named(b)} / ${named(a)}`
        if (!open.delete(back)) open.set(`${named(a)} / ${named(b)}`, [a, b])
      })
    for (const [, inM, upM] of [...open.values()].flat()) expect(upM).toBeCloseTo(inM * rise, 5)
  })
})

test('its planes have its pitch, cover its outline, end in valleys on the plane and lie above it elsewhere', () => {
  shapes(({ faces, outline, depthM, topM }, { rise, pitch }) => {
    let covered = 0
    for (const { corners, edges } of faces) {
      covered += signedArea(planOf(corners))
      expect(toDegrees(Math.acos(Math.min(1, unit3(newell(corners))[2])))).toBeCloseTo(pitch, 4)
      corners.forEach(([, inM, upM], i) => {
        const onPlane = edges[i] === 'valley' || edges[(i + edges.length - 1) % edges.length] === 'valley'
        if (onPlane) expect(upM).toBeCloseTo(inM * rise, 6)
        else expect(upM).toBeGreaterThan(inM * rise - 1e-6)
        expect(inM).toBeLessThan(depthM + 1e-9)
        expect(upM).toBeLessThan(topM + 1e-9)
      })
    }
    expect(covered).toBeCloseTo(signedArea(outline), 6)
  })
})

const ground: DormerGround = {
  plan: [
    [-10, -1],
    [10, -1],
    [10, 9],
    [-10, 9],
  ],
  pitchDeg: 45,
  uphill: [0, 1],
  heightM: 4,
  faded: false,
}
const dormer: Dormer = { ...defaultDormer, id: 'dormer-1', name: 'Dormer', front: [0, 0] }

test('what can not stand is shown by its front, and says what to do', () => {
  const of = (fields: Partial<Dormer>, on: DormerGround | null = ground) =>
    dormerGeometry({ ...dormer, ...fields }, on)
  expect(of({}).fault).toBeNull()
  expect(of({}, null).fault?.code).toBe('off-roof')
  expect(of({}, { ...ground, pitchDeg: 0 }).fault?.code).toBe('dormer-on-flat')
  const steep = of({ form: 'shed', pitchDeg: 50 })
  expect(steep.fault).toMatchObject({ code: 'dormer-too-steep', path: 'pitchDeg' })
  expect(steep.surfaces).toHaveLength(1)
  expect(steep.solids).toEqual([])
  // As steep as it says, it stands.
  const { limit } = steep.fault?.data ?? {}
  const pitchDeg = typeof limit === 'object' && 'value' in limit ? Number(limit.value) : NaN
  expect(() => dormerShape({ ...dormer, form: 'shed', pitchDeg }, 45)).not.toThrow()
  expect(faultIn(() => dormerShape({ ...dormer, form: 'shed', pitchDeg: pitchDeg + 1 }, 45))?.code).toBe(
    'dormer-too-steep',
  )
  // Past the ridge: built whole, with its fault.
  const past = of({ front: [0, 8] })
  expect(past.fault?.code).toBe('dormer-off-plane')
  expect(past.faces).toHaveLength(2)
})

test('put near the ridge it is made as high as fits, and left alone where no height does', () => {
  expect(fittedDormer(dormer, ground)).toEqual(dormer)
  // Front 1.9 m below the ridge on 45 degrees: the ridge rises 0.84 m over the wall, which leaves 1.06 m.
  const near = fittedDormer({ ...dormer, front: [0, 7.1] }, ground)
  expect(near.wallHeightM).toBe(1)
  expect(dormerGeometry(near, ground).fault).toBeNull()
  const nowhere = { ...dormer, front: [0, 8.9] as const }
  expect(fittedDormer(nowhere, ground)).toEqual(nowhere)
  expect(fittedDormer(dormer, null)).toEqual(dormer)
})

test('grips change what they stand at by as far as they are dragged', () => {
  const geometry = dormerGeometry(dormer, ground)
  const { standing } = dormerKind
  const handles = standing?.handles(dormer, geometry) ?? []
  expect(handles.map(({ name }) => name)).toEqual(['dormer-width', 'dormer-wall', 'dormer-ridge'])
  const [width, wall, ridge] = handles
  if (!standing || !width || !wall || !ridge) throw new Error('three grips')
  const drag = (handle: typeof width, fields: object) =>
    standing.drag(dormer, handle, { heightM: handle.at[2], at: null, ...fields })
  expect(drag(width, { at: [2.4, 0] })).toEqual({ widthM: 4.8 })
  expect(drag(width, { at: null })).toEqual({})
  expect(drag(wall, { heightM: wall.at[2] + 0.5 })).toEqual({ wallHeightM: 1.8 })
  // The ridge 0.3 m up over half of 2.4 m.
  const { pitchDeg = NaN } = drag(ridge, { heightM: ridge.at[2] + 0.3 })
  expect(Math.tan(toRadians(pitchDeg))).toBeCloseTo(Math.tan(toRadians(35)) + 0.25, 3)
  for (const up of [-50, 50])
    for (const handle of handles) {
      const fields = drag(handle, { heightM: handle.at[2] + up, at: [up * 9, 0] })
      expect(dormerSchema.safeParse({ ...dormer, ...fields }).success).toBe(true)
    }
  expect(
    standing.handles({ ...dormer, form: 'flat' }, dormerGeometry({ ...dormer, form: 'flat' }, ground)),
  ).toHaveLength(2)
})

const graph = freshGraph()
const plain = runOf(await worldOf(), graph).value(siteStage)
const [south] = plain.arrays
if (!south) throw new Error('the shipped job has an array')
/** A shed dormer wide enough for modules of its own, low on the plane that carries the shipped modules. */
const shed: Dormer = {
  ...dormer,
  form: 'shed',
  pitchDeg: 5,
  widthM: 4.4,
  wallHeightM: 1.3,
  front: [3.4, -2.7],
}
const built = async (fields: Partial<Dormer> = {}, more = option) =>
  runOf(await worldOf(set(job.house, shed.id, { ...shed, ...fields }), more), graph)

test('it takes room from the plane it stands on, carries modules of its own, and its shade has its name', async () => {
  const own = {
    ...defaultArray,
    id: 'array-dormer',
    volumeId: shed.id,
    edgeIndex: 0,
    orientation: 'best' as const,
  }
  const run = await built({}, set(option, own.id, own))
  const site = run.value(siteStage)
  const on = (id: string) => panelsOf(site).filter(({ arrayId }) => arrayId === id)
  expect(standingById(site, shed.id)?.geometry.fault).toBeNull()
  expect(on(south.id).length).toBeLessThan(south.panels.length)
  expect(on(own.id).length).toBeGreaterThan(0)
  const [plane] = standingById(site, shed.id)?.geometry.faces ?? []
  if (!plane) throw new Error('a shed has a plane')
  for (const { corners } of on(own.id))
    for (const p of corners) expect(p[2] - planeHeightM(plane, [p[0], p[1]])).toBeGreaterThan(0.1)
  const casters = run.value(shadeBillStage).casters.map(({ id }) => id)
  expect(casters).toContain(shed.id)
})

test('a chimney on it stands on it, and it is picked and moved along the roof', async () => {
  const chimney = {
    id: 'chimney-9',
    kind: 'chimney' as const,
    name: 'Flue',
    center: [3.3, -1.9] as const,
    widthM: 0.3,
    depthM: 0.3,
    heightM: 0.5,
    rotationDeg: 0,
    clearanceM: 0.1,
  }
  const house = set(set(job.house, shed.id, { ...shed }), chimney.id, chimney)
  const site = runOf(await worldOf(house, option), graph).value(siteStage)
  const roof = standingById(site, shed.id)?.geometry.faces[0]
  if (!roof) throw new Error('a shed has a plane')
  expect(standingById(site, chimney.id)?.geometry.topM).toBeCloseTo(
    planeHeightM(roof, chimney.center) + 0.5,
    9,
  )
  const ray = { origin: [3.9, -1.9, 50] as Vec3, direction: [0, 0, -1] as Vec3 }
  expect(pick(site, ray, null)).toMatchObject({ objectId: shed.id })
  expect(dormerKind.standing?.move?.along).toBe('faces')
})

test('past the edge of its plane it is a check that names it', async () => {
  const run = await built({ wallHeightM: 3 })
  expect(checksOf(run).find(({ code }) => code === 'not-built')).toMatchObject({ objects: [shed.id] })
})
