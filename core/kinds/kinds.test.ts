import { job, rack } from '@/town/testing'
import { containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { defaultArray } from './array/array'
import { type Chimney } from './chimney/chimney'
import { defaultCover } from './cover/cover'
import { ofKind, theOne, type Objects } from './documents'
import { kindNamed, kindNames, kindOf, kinds, type AnyObject } from './index'
import { keepOutsOn, roofHeightM, topFaceAt } from './below'
import { type Below, emptyGeometry, type Geometry } from './standing'
import { newJob } from './new-job'
import { checkJob } from './job'
import { inWorld } from './place'
import { type Volume } from './volume/volume'

const objects: AnyObject[] = [
  ...Object.values(job.house),
  ...job.options.flatMap((option) => Object.values(option.objects)),
  rack,
]

test('every kind stands under its own name, and its objects come back through it', () => {
  for (const name of kindNames) {
    const kind = kindNamed(name)
    expect(kind.kind).toBe(name)
    expect(kind.migrations).toHaveLength(kind.version - 1)
  }
  for (const object of objects) expect(kindOf(object)).toBe(kinds[object.kind])
})

test('a new job is whole, whatever kinds there are', () => {
  const made = newJob('New', {
    site: theOne(job.house, 'site', 'site'),
    tariffs: {
      now: theOne(job.house, 'tariff', 'tariff-now'),
      then: theOne(job.house, 'tariff', 'tariff-then'),
    },
    prices: { pricePerWatt: 3, listShare: 0.9, incentives: [], gridCo2: null },
    cover: { rulesId: null, setbacksM: defaultCover.setbacksM },
  })
  expect(() => checkJob(made)).not.toThrow()
})

const below = (standing: Readonly<Record<string, Geometry>>): Below => ({
  objects: Object.entries(standing).map(([id, geometry]) => ({ id, geometry })),
  module: { widthM: 1.1, lengthM: 1.7 },
  setbacksM: { eave: 0.3, ridge: 0.3, hip: 0.3, valley: 0.3, rake: 0.3, wall: 0.3, flat: null },
})
const built = (object: AnyObject, under: Below): Geometry => {
  const { standing } = kindOf(object)
  if (!standing) return emptyGeometry
  const shape = standing.shape(object)
  return standing.build(shape, standing.reads(shape, under))
}
const box = (id: string, [x, y]: Vec2, [w, d]: Vec2, eaveHeightM: number, pitchDeg = 30): Volume => ({
  id,
  kind: 'volume',
  flat: null,
  name: id,
  role: 'house',
  outline: [
    [x, y],
    [x + w, y],
    [x + w, y + d],
    [x, y + d],
  ],
  eaveHeightM,
  edges: [{ pitchDeg }, { pitchDeg }, { pitchDeg }, { pitchDeg }],
})

test('geometry knows neither id nor name: whatever it is called, it is the same', () => {
  for (const object of objects) {
    const { standing } = kindOf(object)
    if (!standing) continue
    const renamed = {
      ...object,
      id: 'another',
      ...('name' in object ? { name: 'Another' } : {}),
    } as AnyObject
    expect(standing.shape(renamed)).toEqual(standing.shape(object))
  }
})

test('a building that stands through a plane keeps its modules off, a lower one does not', () => {
  const house = built(box('house', [0, 0], [12, 8], 3), below({}))
  const tower = built(box('tower', [4, 1], [2, 2], 6), below({}))
  const shed = built(box('shed', [4, 1], [2, 2], 1, 10), below({}))
  const [south] = house.faces
  if (!south) throw new Error('a roof has planes')
  expect(keepOutsOn(below({ house, tower }), 'house', south)).not.toEqual([])
  expect(keepOutsOn(below({ house, shed }), 'house', south)).toEqual([])
  // It does not keep off itself.
  expect(keepOutsOn(below({ house }), 'house', south)).toEqual([])
  const array = {
    ...defaultArray,
    id: 'array-1',
    volumeId: 'house',
    edgeIndex: south.edgeIndex,
  } as const
  const laid = (under: Below) => built(array, under).field?.slots.length ?? 0
  expect(laid(below({ house, tower }))).toBeLessThan(laid(below({ house })))
  expect(laid(below({ house, shed }))).toBe(laid(below({ house })))
})

test('modules keep clear of what stands through a plane though no corner of it does, and of no more', () => {
  const house = built(box('house', [0, 0], [12, 8], 3), below({}))
  // As deep as the house and higher: all its corners lie outside.
  const tower = built(box('tower', [5, -1], [2, 10], 7), below({}))
  const [south] = house.faces
  if (!south) throw new Error('a roof has planes')
  const inside = (p: Vec2) =>
    keepOutsOn(below({ house, tower }), 'house', south).some(({ base }) => containsPoint(base, p))
  expect(inside([6, 1])).toBe(true)
  expect(inside([4.9, 1])).toBe(false)
  // A low wing that runs into the roof takes only what its own roof is higher in.
  const wing = built(box('wing', [4, -4], [4, 8], 3), below({}))
  const cut = keepOutsOn(below({ house, wing }), 'house', south)
  const deepest = Math.max(...cut.flatMap(({ base }) => base.map(([, y]) => y)))
  expect(deepest).toBeCloseTo(2, 3)
})

test('modules lie on the stretch of a slope that they were laid on', () => {
  const mansard = {
    ...box('house', [0, 0], [12, 8], 3),
    edges: Array.from({ length: 4 }, () => ({
      profile: [
        [0, 70],
        [2, 20],
      ] as const,
    })),
  }
  const house = built(mansard, below({}))
  const arrayOn = (step: number) =>
    built({ ...defaultArray, id: 'array-1', volumeId: 'house', edgeIndex: 0, step }, below({ house })).field
  expect(arrayOn(0)?.plane.pitchDeg).toBe(70)
  expect(arrayOn(1)?.plane.pitchDeg).toBe(20)
  expect(arrayOn(1)?.slots.length).toBeGreaterThan(0)
  expect(arrayOn(2)).toBeNull()
})

test('a chimney stands on the topmost roof, and keeps modules off by its clearance', () => {
  const house = built(box('house', [0, 0], [12, 8], 3), below({}))
  const chimney: Chimney = {
    id: 'chimney-1',
    kind: 'chimney',
    name: 'Chimney',
    center: [6, 2],
    widthM: 0.5,
    depthM: 0.5,
    rotationDeg: 0,
    heightM: 1,
    clearanceM: 0.2,
  }
  const roofM = 3 + 2 * Math.tan(Math.PI / 6)
  expect(roofHeightM(below({ house }), [6, 2])).toBeCloseTo(roofM, 9)
  expect(topFaceAt(below({ house }), [6, 2])?.id).toBe('e0')
  expect(topFaceAt(below({ house }), [60, 2])).toBeNull()
  const { topM, solids, keepOuts } = built(chimney, below({ house }))
  expect(topM).toBeCloseTo(roofM + 1, 9)
  expect(solids).toHaveLength(1)
  expect(keepOuts).toMatchObject([{ clearanceM: 0.2, topM: null }])
})

test('grips say what they change, and a drag keeps it within its bounds', () => {
  for (const object of objects) {
    const { standing, schema } = kindOf(object)
    if (!standing) continue
    const geometry = built(object, below({}))
    for (const handle of standing.handles(object, geometry))
      for (const to of [
        { heightM: handle.at[2] + 0.3, at: [handle.at[0] + 0.2, handle.at[1]] as Vec2 },
        { heightM: 9999, at: [9999, -9999] as Vec2 },
        { heightM: -9999, at: null },
      ]) {
        const fields = standing.drag(object, handle, to)
        const parsed = schema.safeParse({ ...object, ...fields })
        expect({ kind: object.kind, handle: handle.name, issues: parsed.error?.issues ?? [] }).toEqual({
          kind: object.kind,
          handle: handle.name,
          issues: [],
        })
      }
  }
})

test('what is moved comes to where it was put', () => {
  for (const object of objects) {
    const move = kindOf(object).standing?.move
    if (!move) continue
    const moved = { ...object, ...move.to(object, [3, -4]) } as AnyObject
    const [x, y] = kindOf(moved).standing?.move?.middle(moved) ?? [NaN, NaN]
    expect([x, y]).toEqual([expect.closeTo(3, 6), expect.closeTo(-4, 6)])
  }
  expect(inWorld([-700, 12])).toEqual([-500, 12])
})

test('equipment is counted by what it is: modules of arrays and racks, an inverter, batteries', () => {
  const option: Objects = { ...(job.options[1]?.objects ?? {}), [rack.id]: rack }
  const context = { panelsOn: (id: string) => (id === rack.id ? 10 : 8), moduleId: 'some-module' }
  const parts = Object.values(option).flatMap((object) => kindOf(object).parts(object, context))
  const count = (what: string) =>
    parts.filter((part) => part.what === what).reduce((s, part) => s + part.count, 0)
  expect([count('module'), count('inverter'), count('battery')]).toEqual([
    8 * ofKind(option, 'array').length + 10,
    1,
    1,
  ])
  expect(parts.filter(({ what }) => what === 'module').every(({ typeId }) => typeId === 'some-module')).toBe(
    true,
  )
})
