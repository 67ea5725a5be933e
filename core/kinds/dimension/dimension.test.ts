import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { dxfOf } from '../../exports/dxf'
import { siteStage } from '../../stages/site'
import { pick } from '../../site/pick'
import { standingById } from '../../site/site'
import { dimensionSchema, type Dimension } from './dimension'
import { dimensionKind } from './kind'

const rafter: Dimension = { id: 'd1', kind: 'dimension', name: 'Rafter', from: [20, -4, 3], to: [20, 0, 6] }
const siteWith = async (objects = set(job.house, 'd1', rafter)) =>
  runOf(await worldOf(objects, option), freshGraph()).value(siteStage)

test('it is a line and a strip to take it by; nothing is shaded by it and no module gives way', async () => {
  const [with1, without] = [await siteWith(), await siteWith(job.house)]
  const geometry = standingById(with1, 'd1')?.geometry
  expect(geometry?.strokes).toEqual([{ from: [20, -4, 3], to: [20, 0, 6], is: 'measure' }])
  expect([geometry?.solids, geometry?.keepOuts, geometry?.faces]).toEqual([[], [], []])
  expect(with1.arrays).toEqual(without.arrays)
  const ray = { origin: [20, -2, 50], direction: [0, 0, -1] } as const
  expect(pick(with1, ray, null)).toMatchObject({ kind: 'object', id: 'd1' })
})

test('it goes into the drawing as a measure of its true length', async () => {
  const drawn = dxfOf(
    { site: await siteWith(), place: { latitudeDeg: 0, longitudeDeg: 0, elevationM: 0 }, nameOf: (id) => id },
    'metric',
    'en-IE',
  )
  expect(drawn.split('\r\n').filter((line) => line === '5.00 m')).toHaveLength(1)
})

test('an end is dragged on its level; moved as a whole it keeps its length, at the end of the world too', () => {
  const { standing } = dimensionKind
  if (!standing?.move) throw new Error('it can be moved')
  const geometry = standing.build(standing.shape(rafter), null)
  const [, end] = standing.handles(rafter, geometry)
  if (!end) throw new Error('it has two ends')
  expect(standing.drag(rafter, end, { heightM: 9, at: [21.00049, 1] })).toEqual({ to: [21, 1, 6] })
  expect(standing.drag(rafter, end, { heightM: 9, at: null })).toEqual({})
  expect(standing.move.to(rafter, [30, 0])).toEqual({ from: [30, -2, 3], to: [30, 2, 6] })
  expect(standing.move.to(rafter, [30, 9999])).toEqual({ from: [30, 496, 3], to: [30, 500, 6] })
  // North for south about its middle, heights where they were.
  expect(standing.move.mirrored?.(rafter, 'north-south').fields).toEqual({
    from: [20, 0, 3],
    to: [20, -4, 6],
  })
})

test('its fields have bounds', () => {
  expect(dimensionSchema.safeParse(rafter).success).toBe(true)
  for (const to of [
    [20, 0],
    [20, 0, 201],
    [501, 0, 3],
    [20, 0, NaN],
  ])
    expect(dimensionSchema.safeParse({ ...rafter, to }).success).toBe(false)
})
