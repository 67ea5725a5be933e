import { freshGraph, job, option, runOf, worldOf } from '@/town/testing'
import { frameOf, fromFrame, planOntoFrame, toFrame } from '../../layout/plane-frame'
import { standingById } from '../../site/site'
import { siteStage } from '../../stages/site'
import { type AnyObject } from '../index'
import { walkwayKind } from './kind'
import { defaultWalkway, walkwaySchema, type Walkway } from './walkway'

const graph = freshGraph()
const siteWith = async (walkway?: Walkway) =>
  runOf(
    await worldOf(walkway ? { ...job.house, [walkway.id]: walkway as AnyObject } : job.house, option),
    graph,
  ).value(siteStage)
const plain = await siteWith()
const plane = plain.arrays.find(({ id }) => id === 'array-south')?.margins?.plane
if (!plane) throw new Error('the shipped job has an array on its southern plane')
const frame = frameOf(plane)
/** A way through a point of that plane: along its eave, up its slope. */
const way = (u: number, v: number, widthM = 0.9): Walkway => {
  const [x, y] = fromFrame(frame, [u, v])
  return { ...defaultWalkway, id: 'walkway-1', center: [x, y], widthM }
}

test('it runs from the eave to the ridge, as wide as it says, and no module is on it', async () => {
  const site = await siteWith(way(10, 2))
  const [keepOut, ...others] = standingById(site, 'walkway-1')?.geometry.keepOuts ?? []
  expect(others).toEqual([])
  const corners = keepOut?.base.map((p) => planOntoFrame(frame, p)) ?? []
  const [us, vs] = [corners.map((p) => p[0]), corners.map((p) => p[1])]
  const ends = plane.corners.map((c) => toFrame(frame, c)[1])
  expect(Math.min(...us)).toBeCloseTo(9.55, 3)
  expect(Math.max(...us)).toBeCloseTo(10.45, 3)
  expect(Math.min(...vs)).toBeCloseTo(Math.min(...ends), 3)
  expect(Math.max(...vs)).toBeCloseTo(Math.max(...ends), 3)
  const laid = site.arrays.find(({ id }) => id === 'array-south')
  for (const { corners: module } of laid?.places ?? []) {
    const across = module.map((c) => toFrame(frame, c)[0])
    expect(Math.max(...across) <= 9.551 || Math.min(...across) >= 10.449).toBe(true)
  }
  // Others are as they were.
  const west = (of: typeof site) => of.arrays.find(({ id }) => id === 'array-west')?.places.length
  expect(west(site)).toBe(west(plain))
})

test('where a valley cuts the plane off it ends there', async () => {
  const site = await siteWith(way(3.7, 4))
  const corners =
    standingById(site, 'walkway-1')?.geometry.keepOuts[0]?.base.map((p) => planOntoFrame(frame, p)) ?? []
  // The valleys meet 3.26 m up the slope, under the middle of the cross wing.
  expect(Math.min(...corners.map((p) => p[1]))).toBeGreaterThan(2.6)
})

test('off the roof it keeps nothing free and says so', async () => {
  const site = await siteWith({ ...defaultWalkway, id: 'walkway-1', center: [60, 60] })
  expect(standingById(site, 'walkway-1')?.geometry.fault?.code).toBe('off-roof')
  expect(standingById(site, 'walkway-1')?.geometry.keepOuts).toEqual([])
})

test('its grip sets the width to twice the distance from the middle, within what is allowed', async () => {
  const walkway = way(10, 2)
  const geometry = standingById(await siteWith(walkway), 'walkway-1')?.geometry
  const { standing } = walkwayKind
  if (!geometry || !standing) throw new Error('it stands somewhere')
  const [grip] = standing.handles(walkway, geometry)
  if (!grip) throw new Error('it has a grip')
  expect(toFrame(frame, grip.at)[0]).toBeCloseTo(10.45, 2)
  const dragged = (alongM: number) => standing.drag(walkway, grip, { heightM: 0, at: null, alongM })
  expect(dragged(0.75)).toEqual({ widthM: 1.5 })
  expect(dragged(-0.75)).toEqual({ widthM: 1.5 })
  expect(dragged(0)).toEqual({ widthM: 0.3 })
  expect(dragged(40)).toEqual({ widthM: 5 })
  expect(standing.drag(walkway, grip, { heightM: 0, at: null })).toEqual({})
  expect(walkwaySchema.safeParse({ ...walkway, widthM: 0.1 }).success).toBe(false)
})
