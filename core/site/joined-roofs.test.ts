import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { containsPoint, nearestOnSegment, signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { defaultArray } from '../kinds/array/array'
import { volumeGeometry } from '../kinds/volume/geometry'
import { type Volume } from '../kinds/volume/volume'
import { seededRandom } from '../model/random'
import { planeHeightM, planOf, type RoofPlane } from '../roof/plane'
import { dormerStage } from '../stages/standing'
import { siteStage } from '../stages/site'
import { joinedRoofs, roofsThatMeet } from './joined-roofs'
import { panelsOf, standingById } from './site'

const boxed = (x: number, y: number, w: number, d: number): Vec2[] => [
  [x, y],
  [x + w, y],
  [x + w, y + d],
  [x, y + d],
]
const [slope, gable] = [{ pitchDeg: 40 }, { gable: true }] as const
const main: Volume = {
  id: 'main',
  kind: 'volume',
  name: 'Main house',
  role: 'house',
  outline: boxed(40, 0, 12, 8),
  eaveHeightM: 3,
  edges: [slope, gable, slope, gable],
  flat: null,
}
const wing: Volume = {
  ...main,
  id: 'wing',
  name: 'Wing',
  outline: boxed(44, -5, 4, 9),
  edges: [gable, slope, gable, slope],
}
const tower: Volume = {
  ...main,
  id: 'tower',
  outline: boxed(49, 1, 2, 2),
  eaveHeightM: 9,
  edges: [slope, slope, slope, slope],
}
const planM2 = ({ corners, holes = [] }: RoofPlane) =>
  [corners, ...holes].reduce((sum, ring) => sum + signedArea(planOf(ring)), 0)
const inPlane = ({ corners, holes = [] }: RoofPlane, p: Vec2) =>
  containsPoint(planOf(corners), p) && !holes.some((hole) => containsPoint(planOf(hole), p))

test('a wing takes its part out of the slope, in two valleys that are drawn; what stops light stays whole', () => {
  const raw = [main, wing].map(volumeGeometry)
  const [house, cross] = joinedRoofs(raw)
  if (!house || !cross) throw new Error('both are given back')
  expect(house.faces.map(planM2).map((m2) => Math.round(m2 * 1000) / 1000)).toEqual([44, 48])
  // By hand: the wing's slopes are 2 m wide, 5 m long at the eave and 7 m at the ridge.
  expect(cross.faces.map(planM2).map((m2) => Math.round(m2 * 1000) / 1000)).toEqual([12, 12])
  // Each line once: where they meet, with the wing.
  const valleys = [raw[0], house, cross].map((one) => one?.strokes.filter(({ is }) => is === 'valley').length)
  expect(valleys).toEqual([0, 0, 2])
  expect([house.solids, house.keepOuts]).toEqual([raw[0]?.solids, raw[0]?.keepOuts])
  expect(house.plan).toHaveLength(2)
  // The north slope is the one that was built.
  expect(house.faces[1]).toBe(raw[0]?.faces[1])
  expect(house.surfaces.filter(({ face }) => face === 'e0')).toHaveLength(1)
})

test('a tower through a slope leaves an opening with walls around it', () => {
  const [house] = joinedRoofs([main, tower].map(volumeGeometry))
  const south = house?.faces.find(({ id }) => id === 'e0')
  expect(south?.holes).toHaveLength(1)
  expect(south && planM2(south)).toBeCloseTo(48 - 4, 4)
  expect(house?.strokes.filter(({ is }) => is === 'wall')).toHaveLength(4)
})

test('roofs that stand apart are left as they are, and so is a roof that nothing cuts', () => {
  const far = { ...wing, outline: boxed(80, 0, 4, 9) }
  const geometries = [main, far, wing, { ...tower, role: 'neighbour' as const }].map(volumeGeometry)
  expect(roofsThatMeet(geometries)).toEqual([[0, 2]])
  expect(roofsThatMeet(Array.from({ length: 41 }, () => volumeGeometry(main)))).toEqual([])
  const high = { ...wing, eaveHeightM: 9 }
  const [, over] = joinedRoofs([main, high].map(volumeGeometry))
  expect(over?.faces).toHaveLength(2)
  const beside = [main, { ...wing, outline: boxed(44, -9, 4, 8) }].map(volumeGeometry)
  const [first, second] = joinedRoofs(beside)
  expect([first, second]).toEqual(beside)
  expect(first).toBe(beside[0])
})

test('over every point just the topmost of all planes is seen, over seeded houses of two to four parts', () => {
  const random = seededRandom(31)
  let [looked, cut] = [0, 0]
  for (let round = 0; round < 200; round++) {
    const parts = Array.from({ length: 2 + Math.floor(3 * random()) }, (): Volume => {
      const box = boxed(12 * random(), 12 * random(), 4 + 8 * random(), 4 + 8 * random())
      const turn = random() < 0.5 ? 0 : random()
      const outline = box.map(([x, y]): Vec2 => [
        Math.round(1000 * (x * Math.cos(turn) - y * Math.sin(turn))) / 1000,
        Math.round(1000 * (x * Math.sin(turn) + y * Math.cos(turn))) / 1000,
      ])
      const pitchDeg = 15 + Math.floor(35 * random())
      const edges = outline.map((_, i) => (random() < 0.3 && i % 2 === 1 ? gable : { pitchDeg }))
      return { ...main, outline, edges, eaveHeightM: 2.5 + Math.floor(4 * random()) / 2 }
    })
    const raw = parts.map(volumeGeometry)
    const seen = [...raw]
    for (const group of roofsThatMeet(raw)) {
      const joined = joinedRoofs(group.flatMap((k) => raw[k] ?? []))
      group.forEach((k, i) => {
        const one = joined[i]
        if (one) seen[k] = one
      })
    }
    cut += seen.filter((one, k) => one !== raw[k]).length
    for (let k = 0; k < 60; k++) {
      const p: Vec2 = [-4 + 24 * random(), 24 * random()]
      const heights = raw
        .flatMap(({ faces }) => faces.filter((face) => inPlane(face, p)).map((face) => planeHeightM(face, p)))
        .sort((a, b) => b - a)
      const over = seen.flatMap(({ faces }) => faces.filter((face) => inPlane(face, p)))
      const [top, next] = heights
      if (top === undefined) {
        expect(over).toHaveLength(0)
        continue
      }
      // On the seam itself either may have it.
      if (next !== undefined && top - next < 0.02) continue
      looked++
      expect(over).toHaveLength(1)
      expect(over[0] && planeHeightM(over[0], p)).toBeCloseTo(top, 4)
    }
  }
  expect(looked).toBeGreaterThan(2000)
  expect(cut).toBeGreaterThan(100)
})

test('in a job: what the list of planes adds up has nothing twice, a dormer takes its part of the slope, and modules keep the setback of a valley', async () => {
  const house = set(set(job.house, 'main', main), 'wing', wing)
  const laid = set(
    set(option, 'cover', { setbacksM: { eave: 0.3, ridge: 0.3, hip: 0.3, valley: 0.9, rake: 0.3 } }),
    'array-main',
    { ...defaultArray, id: 'array-main', volumeId: 'main', edgeIndex: 0 },
  )
  const run = runOf(await worldOf(house, laid), freshGraph())
  const site = run.value(siteStage)
  const [south] = standingById(site, 'main')?.geometry.faces ?? []
  if (!south) throw new Error('the house has a slope')
  expect(planM2(south)).toBeCloseTo(44, 3)
  // Grips, and what stands on it, go by the whole slope.
  expect(standingById(site, 'main')?.whole.faces.map(planM2)).toEqual([48, 48])
  // The shipped house's own dormer: its outline from above is what its planes cover.
  const dormers = run.value(dormerStage).map(({ value }) => value)
  const ownM2 = dormers.flatMap(({ faces }) => faces).reduce((sum, face) => sum + planM2(face), 0)
  const volume = job.house['volume-1']
  if (volume?.kind !== 'volume') throw new Error('the shipped job has a house')
  const rawM2 = volumeGeometry(volume).faces.reduce((sum, face) => sum + planM2(face), 0)
  const seenM2 = (standingById(site, 'volume-1')?.geometry.faces ?? []).reduce(
    (sum, face) => sum + planM2(face),
    0,
  )
  expect(ownM2).toBeGreaterThan(2)
  expect(seenM2).toBeCloseTo(rawM2 - ownM2, 3)
  const valleys = south.edges.flatMap(({ kind }, i) =>
    kind === 'valley' ? [[south.corners[i], south.corners[(i + 1) % south.corners.length]] as const] : [],
  )
  expect(valleys).toHaveLength(2)
  const modules = panelsOf(site).filter(({ arrayId }) => arrayId === 'array-main')
  expect(modules.length).toBeGreaterThan(8)
  // Along the slope distances are no less than in plan; the modules lie over it along its normal.
  const lift = defaultArray.liftM
  for (const { corners } of modules)
    for (const corner of corners) {
      const foot: Vec2 = [corner[0] - lift * south.normal[0], corner[1] - lift * south.normal[1]]
      expect(inPlane(south, foot)).toBe(true)
      for (const [a, b] of valleys) {
        if (!a || !b) throw new Error('an edge has two ends')
        const { distanceM } = nearestOnSegment([a[0], a[1]], [b[0], b[1]], foot)
        expect(distanceM).toBeGreaterThan(0.9 * Math.cos((40 * Math.PI) / 180) - 1e-3)
      }
    }
})
