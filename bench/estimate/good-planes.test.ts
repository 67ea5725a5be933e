import { job, option, runOf, worldOf } from '@/town/testing'
import { type FaceSunMap } from '@/core/energy/sun-map'
import { type Objects } from '@/core/kinds/documents'
import { siteStage } from '@/core/stages/site'
import { mappedFaces, sunMapStage } from '@/core/stages/sun-map'
import { bySunMap, goodPlanes } from './good-planes'

const bare: Objects = Object.fromEntries(Object.entries(option).filter(([, { kind }]) => kind !== 'array'))
const run = runOf(await worldOf(job.house, bare))
const site = run.value(siteStage)
const maps = run.value(sunMapStage)
const faces = mappedFaces(site.objects).flatMap(({ face }, i) => {
  const map = maps[i]?.value[0]
  return map ? [{ face, map }] : []
})

test('planes are ranked by the light that falls there, shade and all; those that are dim or covered are left out', () => {
  const worth = bySunMap(faces)
  const planes = goodPlanes(site, bare, worth, () => 0.5)
  expect(planes.length).toBeGreaterThan(1)
  expect(planes.length).toBeLessThan(faces.length)
  const lightOn = ({ volumeId, edgeIndex, step }: (typeof planes)[number]) => {
    const face = site.objects
      .find(({ id }) => id === volumeId)
      ?.geometry.faces.find((one) => one.edgeIndex === edgeIndex && one.step === step)
    return face ? worth.of(face) : 0
  }
  const lights = planes.map(lightOn)
  expect(lights).toEqual(lights.toSorted((a, b) => b - a))
  expect(lights[0]).toBeCloseTo(worth.best, 9)
  for (const light of lights) expect(light).toBeGreaterThanOrEqual(0.7 * worth.best)
  // The shipped option covers two of them.
  const left = goodPlanes(site, option, worth, () => 0.5)
  expect(left).toHaveLength(planes.length - 2)
})

test('a plane whose map is not known has no light, and a map without cells none either', () => {
  const [first] = faces
  if (!first) throw new Error('the house has planes')
  const dark: FaceSunMap = { ...first.map, values: new Float32Array(4) }
  const worth = bySunMap([{ face: first.face, map: dark }])
  expect(worth).toMatchObject({ best: 0 })
  expect(worth.of(first.face)).toBe(0)
  expect(goodPlanes(site, bare, worth, () => 0.5)).toEqual([])
  expect(goodPlanes(site, bare, bySunMap([]), () => 0.5)).toEqual([])
})

test('the mean is over the cells that lie on the plane alone', () => {
  const [first] = faces
  if (!first) throw new Error('the house has planes')
  const half: FaceSunMap = { ...first.map, values: Float32Array.of(0, 1000, 1200, 0) }
  expect(bySunMap([{ face: first.face, map: half }]).best).toBeCloseTo(1100, 6)
})
