import fc from 'fast-check'
import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { signedArea } from '../../geometry/polygon'
import { Fault } from '../../model/fault'
import { panelsOf, standingById } from '../../site/site'
import { shadeBillStage } from '../../stages/shade-bill'
import { siteStage } from '../../stages/site'
import { bodySchema, type Body } from './body'
import { bodyFrom } from './body-from'
import { bodyGeometry } from './geometry'
import { bodyKind, ownHeightM, scaleFor } from './kind'
import { stoodModel } from './stood'

/** A box in the axes of a file: from a corner, so long along x, y and z. */
const boxFile = ([x, y, z]: readonly number[], [dx = 1, dy = 1, dz = 1]: readonly number[]) => ({
  positions: Float32Array.from(
    [0, 1, 2, 3, 4, 5, 6, 7].flatMap((k) => [
      (x ?? 0) + (k & 1) * dx,
      (y ?? 0) + ((k >> 1) & 1) * dy,
      (z ?? 0) + (k >> 2) * dz,
    ]),
  ),
  indices: Uint32Array.from([
    0, 2, 1, 1, 2, 3, 4, 5, 6, 5, 7, 6, 0, 1, 4, 1, 5, 4, 2, 6, 3, 3, 6, 7, 0, 4, 2, 2, 4, 6, 1, 3, 5, 3, 7,
    5,
  ]),
})
const body = (fields: Partial<Body> = {}): Body => ({
  ...bodyFrom(
    {
      ...boxFile([4, 5, 6], [2, 4, 9]),
      format: 'obj',
      metresPerUnit: null,
      up: null,
      fileTriangles: 12,
      offBy: 0,
    },
    { id: 'body-1', name: 'Tower', metresPerUnit: 1, up: 'z' },
  ),
  ...fields,
})

test('a file’s box stands on the ground, its middle at the site, whichever axis is up and whatever its unit', () => {
  expect(bodyFrom.length).toBe(2)
  const upZ = stoodModel(boxFile([4, 5, 6], [2, 4, 9]), 0.1, 'z')
  expect(upZ.triangles).toHaveLength(12)
  const spread = (axis: number) => [...new Set(upZ.vertices.map((v) => v[axis]))].toSorted()
  expect([spread(0), spread(1), spread(2)]).toEqual([
    [-0.1, 0.1],
    [-0.2, 0.2],
    [0, 0.9],
  ])
  // With y up what a file has nearest to the eye lies in the south.
  const upY = stoodModel(boxFile([0, 0, 0], [2, 9, 4]), 1, 'y')
  expect(upY.vertices[0]).toEqual([-1, 2, 0])
  expect(upY.vertices[7]).toEqual([1, -2, 9])
  const codeOf = (unit: number) => {
    try {
      stoodModel(boxFile([0, 0, 0], [2, 4, 9]), unit, 'z')
      return 'stands'
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      return error.code
    }
  }
  expect([codeOf(1e-5), codeOf(0.01), codeOf(400), codeOf(600)]).toEqual([
    'model-size',
    'stands',
    'model-size',
    'model-size',
  ])
})

test('it covers its outline in plan wherever it is turned, and its edges are those of a box', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -180, max: 180, noNaN: true }),
      fc.double({ min: 0.1, max: 5, noNaN: true }),
      fc.double({ min: -3, max: 20, noNaN: true }),
      (rotationDeg, scale, footM) => {
        const geometry = bodyGeometry(body({ rotationDeg, scale, footM, center: [7, -3] }))
        expect(signedArea(geometry.plan[0]?.points ?? []) / (8 * scale * scale)).toBeCloseTo(1, 6)
        expect(geometry.topM).toBeCloseTo(footM + 9 * scale, 9)
        expect(geometry.strokes).toHaveLength(12)
        expect(geometry.solids).toHaveLength(12)
      },
    ),
    { seed: 3, numRuns: 200 },
  )
})

test('turned over twice it is what it was, and once it is inside out nowhere', () => {
  const { move } = bodyKind.standing ?? {}
  if (!move?.mirrored) throw new Error('it can be turned over')
  const slanted = body({
    rotationDeg: 30,
    vertices: [
      [0, 0, 0],
      [2, 0, 0],
      [0, 1, 0],
      [0.5, 0.2, 3],
    ],
    triangles: [
      [0, 2, 1],
      [0, 1, 3],
      [1, 2, 3],
      [2, 0, 3],
    ],
  })
  const volume = ({ vertices, triangles }: Body) =>
    triangles.reduce((sum, [i, j, k]) => {
      const [a, b, c] = [vertices[i], vertices[j], vertices[k]]
      if (!a || !b || !c) throw new Error('they are there')
      return (
        sum +
        (a[0] * (b[1] * c[2] - b[2] * c[1]) +
          a[1] * (b[2] * c[0] - b[0] * c[2]) +
          a[2] * (b[0] * c[1] - b[1] * c[0])) /
          6
      )
    }, 0)
  for (const axis of ['east-west', 'north-south'] as const) {
    const once = { ...slanted, ...move.mirrored(slanted, axis).fields }
    expect(volume(once)).toBeCloseTo(volume(slanted), 12)
    // What is seen is what the mirror shows, corner by corner.
    const [from, to] = [bodyGeometry(slanted), bodyGeometry(once)].map((g) =>
      g.surfaces.flatMap((s) => s.corners),
    )
    const [cx, cy] = slanted.center
    const shown = from?.map(([x, y, z]) => (axis === 'east-west' ? [2 * cx - x, y, z] : [x, 2 * cy - y, z]))
    const key = (p: readonly number[]) =>
      p.map((n) => (n + 0).toFixed(6).replace('-0.000000', '0.000000')).join()
    expect(new Set(to?.map(key))).toEqual(new Set(shown?.map(key)))
    const twice = { ...once, ...move.mirrored(once, axis).fields }
    expect(bodySchema.parse(twice).vertices.map(key)).toEqual(slanted.vertices.map(key))
    expect(twice.rotationDeg).toBeCloseTo(slanted.rotationDeg, 9)
  }
})

test('a height that is typed scales all of it; what is flat has none', () => {
  expect(ownHeightM(body())).toBe(9)
  expect(scaleFor(body(), 4.5)).toBe(0.5)
  expect(scaleFor(body(), -3)).toBe(0.001)
  expect(
    scaleFor(
      {
        vertices: [
          [0, 0, 0],
          [1, 0, 0],
          [0, 1, 0],
        ],
      },
      4,
    ),
  ).toBeNull()
})

test('a triangle of vertices that are not there is refused', () => {
  expect(bodySchema.safeParse(body()).success).toBe(true)
  const wrong = bodySchema.safeParse(body({ triangles: [[0, 1, 8]] }))
  expect(wrong.error?.issues[0]?.message).toContain('vertex-missing')
})

test('a tower through the roof keeps modules off and is in the shade bill; in the background it shades alone', async () => {
  const graph = freshGraph()
  const plain = runOf(await worldOf(), graph).value(siteStage)
  const [taken] = panelsOf(plain)
  const [a, , c] = taken?.corners ?? []
  if (!a || !c) throw new Error('the shipped job has modules')
  const tower = body({ center: [(a[0] + c[0]) / 2, (a[1] + c[1]) / 2], scale: 1.3 })
  const withTower = async (fields: Partial<Body>) => {
    const run = runOf(await worldOf(set(job.house, tower.id, { ...tower, ...fields }), option), graph)
    const site = run.value(siteStage)
    const kwh = run.value(shadeBillStage).casters.find(({ id }) => id === tower.id)?.kwh ?? 0
    return { modules: panelsOf(site).length, kwh, stands: standingById(site, tower.id) !== undefined }
  }
  const keeping = await withTower({})
  expect(keeping.modules).toBeLessThan(panelsOf(plain).length)
  expect(keeping.kwh).toBeGreaterThan(1)
  const around = await withTower({ keepsOff: false, background: true })
  expect(around).toMatchObject({ modules: panelsOf(plain).length, stands: true })
  expect(around.kwh).toBeGreaterThan(keeping.kwh)
})
