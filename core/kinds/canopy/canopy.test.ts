import fc from 'fast-check'
import { freshGraph, job, option, runOf, worldOf } from '@/town/testing'
import { defaultArray } from '../array/array'
import { type Vec3 } from '../../geometry/vector'
import { signedArea } from '../../geometry/polygon'
import { toRadians } from '../../model/units'
import { planeHeightM } from '../../roof/plane'
import { pick } from '../../site/pick'
import { shadeBillStage } from '../../stages/shade-bill'
import { siteStage } from '../../stages/site'
import { canopySchema, canopyUses, usualCanopies, type Canopy } from './canopy'
import { canopyGeometry } from './geometry'
import { canopyKind } from './kind'

const canopy: Canopy = {
  ...usualCanopies.carport,
  id: 'canopy-1',
  kind: 'canopy',
  name: 'Carport',
  use: 'carport',
  center: [0, 0],
  rotationDeg: 0,
}

/** Which solids hold a point. */
const solidsAt = (of: Canopy, [x, y, z]: Vec3) =>
  canopyGeometry(of).solids.filter(({ faces }) => {
    for (let k = 0; k < faces.length; k += 4) {
      const [nx = 0, ny = 0, nz = 0, c = 0] = faces.subarray(k, k + 4)
      if (nx * x + ny * y + nz * z > c) return false
    }
    return true
  })

test('the usual measures of both are allowed', () => {
  for (const use of canopyUses)
    expect(canopySchema.safeParse({ ...canopy, use, ...usualCanopies[use] }).success).toBe(true)
})

test('leaves cover the plan, rise from their eaves by their pitch, and look away from their ridge', () => {
  const sizes = fc.double({ min: 1, max: 40, noNaN: true })
  fc.assert(
    fc.property(
      sizes,
      sizes,
      fc.double({ min: 0, max: 45, noNaN: true }),
      fc.double({ min: -360, max: 360, noNaN: true }),
      fc.constantFrom('one' as const, 'two' as const),
      (widthM, depthM, pitchDeg, rotationDeg, leaves) => {
        const { faces, topM } = canopyGeometry({
          ...canopy,
          widthM,
          depthM,
          pitchDeg,
          rotationDeg,
          leaves,
          center: [3, -2],
        })
        expect(faces.map(({ id }) => id)).toEqual(leaves === 'one' ? ['e0'] : ['e0', 'e2'])
        const planM2 = faces.reduce(
          (sum, { corners }) => sum + signedArea(corners.map(([x, y]) => [x, y])),
          0,
        )
        expect(planM2 / (widthM * depthM)).toBeCloseTo(1, 9)
        const run = leaves === 'one' ? depthM : depthM / 2
        expect(topM).toBeCloseTo(2.4 + run * Math.tan(toRadians(pitchDeg)), 9)
        for (const face of faces) {
          expect(face.pitchDeg).toBeCloseTo(pitchDeg, 6)
          const [a, b] = face.corners
          expect([a?.[2], b?.[2]]).toEqual([expect.closeTo(2.4, 9), expect.closeTo(2.4, 9)])
          if (pitchDeg < 0.01) continue
          const looks = face.edgeIndex === 0 ? 180 - rotationDeg : -rotationDeg
          expect(Math.cos(toRadians(face.azimuthDeg - looks))).toBeCloseTo(1, 9)
        }
        if (faces[0] && faces[1])
          expect(planeHeightM(faces[0], [3, -2])).toBeCloseTo(planeHeightM(faces[1], [3, -2]), 9)
      },
    ),
    { seed: 12, numRuns: 1000 },
  )
})

test('there is air under a closed leaf and between slats, and something solid in the leaf, in slats and in posts', () => {
  const closed = canopy
  const middleM = 2.4 + 2.75 * Math.tan(toRadians(5))
  expect(solidsAt(closed, [0, 0, middleM - 0.05])).toHaveLength(1)
  expect(solidsAt(closed, [0, 0, middleM - 0.15])).toHaveLength(0)
  expect(solidsAt(closed, [0, 0, middleM + 0.01])).toHaveLength(0)
  expect(solidsAt(closed, [2.94, -2.69, 1])).toHaveLength(1)
  const slats: Canopy = { ...canopy, use: 'pergola', ...usualCanopies.pergola }
  // Ten gaps of 395 mm along 4 m.
  expect(solidsAt(slats, [-1.975, 0, 2.45])).toHaveLength(1)
  expect(solidsAt(slats, [-1.75, 0, 2.45])).toHaveLength(0)
  expect(solidsAt(slats, [-1.58, 0, 2.45])).toHaveLength(1)
  expect(solidsAt(slats, [-1.75, -1.45, 2.3])).toHaveLength(1)
})

test('a sight between the slats still takes hold of the leaf', async () => {
  const pergola: Canopy = { ...canopy, use: 'pergola', ...usualCanopies.pergola, center: [40, -40] }
  const site = runOf(await worldOf({ ...job.house, 'canopy-1': pergola })).value(siteStage)
  expect(pick(site, { origin: [38.25, -40, 10], direction: [0, 0, -1] }, null)).toMatchObject({
    kind: 'face',
    objectId: 'canopy-1',
  })
})

test('modules lie on a leaf, are not shaded by it, and slats before them cost them less than a closed roof does', async () => {
  const graph = freshGraph()
  const away: Canopy = { ...canopy, center: [45, -45], pitchDeg: 10 }
  const array = { ...defaultArray, id: 'array-port', volumeId: 'canopy-1', edgeIndex: 0, removed: [] }
  const laid = { ...option, 'array-port': array }
  const site = runOf(await worldOf({ ...job.house, 'canopy-1': away }, laid), graph).value(siteStage)
  const panels = site.arrays.find(({ id }) => id === 'array-port')?.panels ?? []
  // 5.4 m of 6 across in portrait, two rows up 5.5 m.
  expect(panels.length).toBeGreaterThanOrEqual(6)
  const bill = async (over: Canopy | null) => {
    const house = { ...job.house, 'canopy-1': away, ...(over ? { 'canopy-2': over } : {}) }
    const { casters } = runOf(await worldOf(house, laid), graph).value(shadeBillStage)
    return (id: string) => casters.find((line) => line.id === id)?.kwh ?? 0
  }
  expect((await bill(null))('canopy-1')).toBe(0)
  // To the south and higher, so that the sun comes through it.
  const before: Canopy = {
    ...away,
    id: 'canopy-2',
    center: [45, -51],
    eaveHeightM: 6,
    pitchDeg: 0,
    widthM: 9,
  }
  const closed = (await bill(before))('canopy-2')
  const slatted = (await bill({ ...before, cover: 'slats' }))('canopy-2')
  expect(slatted).toBeGreaterThan(0)
  expect(slatted).toBeLessThan(0.6 * closed)
})

test('its grips stretch it from its middle, lift its eave and pitch its leaves', () => {
  const { standing } = canopyKind
  const turned: Canopy = { ...canopy, rotationDeg: 30, center: [5, 6], leaves: 'two', pitchDeg: 20 }
  const geometry = canopyGeometry(turned)
  const grip = (name: string) => {
    const found = standing?.handles(turned, geometry).find((handle) => handle.name === name)
    if (!found || !standing) throw new Error(`no grip ${name}`)
    return (over: number, up: number) => {
      const [x, y, z] = found.at
      const [dx, dy] = [x - 5, y - 6]
      return standing.drag(turned, found, { heightM: z + up, at: [5 + dx * over, 6 + dy * over] })
    }
  }
  expect(grip('canopy-width')(1.5, 0)).toEqual({ widthM: 9 })
  expect(grip('canopy-depth')(2, 0)).toEqual({ depthM: 11 })
  expect(grip('canopy-eave')(1, 0.3)).toEqual({ eaveHeightM: 2.7 })
  const rise = 2.75 * Math.tan(toRadians(20))
  const steeper = (Math.atan((rise + 0.5) / 2.75) * 180) / Math.PI
  expect(grip('canopy-ridge')(1, 0.5)).toEqual({ pitchDeg: expect.closeTo(steeper, 2) as number })
  expect(grip('canopy-ridge')(1, -9)).toEqual({ pitchDeg: 0 })
  expect(canopySchema.safeParse({ ...turned, pitchDeg: 46 }).success).toBe(false)
})
