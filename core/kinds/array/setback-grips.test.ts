import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { dot3, length3, sub3 } from '../../geometry/vector'
import { frameOf, toFrame } from '../../layout/plane-frame'
import { standingById } from '../../site/site'
import { siteStage } from '../../stages/site'
import { edgeKeysOf, setbackOf, setbacksOn } from '../../setbacks/edges'
import { arrayKind } from './kind'
import { asSetback } from './setback-grips'

const graph = freshGraph()
const siteOf = async (objects = option) => runOf(await worldOf(job.house, objects), graph).value(siteStage)
const array = option['array-south']
if (array?.kind !== 'array' || !arrayKind.standing) throw new Error('the shipped job has one')
const { handles, drag } = arrayKind.standing
const setbacksM = { eave: 0.3, ridge: 0.5, rake: 0.2, hip: 0.4, valley: 0.6, wall: 0.1, flat: 1.2 }

test('edges are counted by their kinds, and a single one goes before its kind', () => {
  const edges = (['eave', 'rake', 'ridge', 'rake'] as const).map((kind) => ({ kind, lengthM: 4 }))
  const plane = { edges, pitchDeg: 30 }
  expect(edgeKeysOf(plane)).toEqual(['eave:0', 'rake:0', 'ridge:0', 'rake:1'])
  expect(setbacksOn(setbacksM, plane, { 'rake:1': 0.9, 'hip:0': 3 })).toEqual([0.3, 0.2, 0.5, 0.9])
  expect(setbacksOn(setbacksM, { edges, pitchDeg: 5 })).toEqual([1.2, 1.2, 1.2, 1.2])
  // Walls keep their own, and so do all where nothing is said of flat roofs.
  expect(setbackOf(setbacksM, { pitchDeg: 0 }, 'wall')).toBe(0.1)
  expect(setbackOf({ ...setbacksM, flat: null }, { pitchDeg: 0 }, 'ridge')).toBe(0.5)
})

test('a grip on each edge, at its setback; dragged, that edge alone keeps another distance', async () => {
  const whole = standingById(await siteOf(), array.id)?.whole
  if (!whole?.field?.margins) throw new Error('it lies on a plane')
  const { plane } = whole.field.margins
  const grips = handles(array, whole)
  expect(grips).toHaveLength(plane.edges.filter(({ lengthM }) => lengthM >= 0.6).length)
  const ridge = grips.find(({ edge }) => edge === 'ridge:0')
  if (!ridge?.line) throw new Error('it has a ridge')
  const frame = frameOf(plane)
  const top = Math.max(...plane.corners.map((c) => toFrame(frame, c)[1]))
  expect(toFrame(frame, ridge.at)[1]).toBeCloseTo(top - 0.45, 4)
  expect(length3(ridge.line.direction)).toBeCloseTo(1, 9)
  expect(dot3(sub3(ridge.at, ridge.line.origin), ridge.line.direction)).toBeCloseTo(0.45, 6)
  expect(drag(array, ridge, { heightM: 0, at: null })).toEqual({})
  const fields = drag(array, ridge, { heightM: 0, at: null, alongM: 1.23456 })
  expect(fields).toEqual({ edgesM: { 'ridge:0': 1.235 } })
  const after = await siteOf(set(option, array.id, fields))
  const laid = after.arrays.find(({ id }) => id === array.id)
  for (const { corners } of laid?.places ?? [])
    for (const corner of corners) expect(toFrame(frame, corner)[1]).toBeLessThanOrEqual(top - 1.2345 + 1e-6)
  // And back to what all share.
  expect(
    (await siteOf(set(option, array.id, { edgesM: {} }))).arrays.find(({ id }) => id === array.id)?.places
      .length,
  ).toBe((await siteOf()).arrays.find(({ id }) => id === array.id)?.places.length)
})

test('never outward over the edge, and never farther than a document may hold', () => {
  expect([asSetback(-0.4), asSetback(0.12349), asSetback(99)]).toEqual([0, 0.123, 10])
})
