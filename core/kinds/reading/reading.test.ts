import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { planeHeightM } from '../../roof/plane'
import { standingById } from '../../site/site'
import { dxfOf } from '../../exports/dxf'
import { siteStage } from '../../stages/site'
import { topFaceAt } from '../below'
import { readingKind } from './kind'
import { readingSchema, type Reading } from './reading'

const reading: Reading = {
  id: 'reading-1',
  kind: 'reading',
  name: 'Ridge',
  center: [0.5, -1],
  heightM: 0.1,
  heights: [
    [90, 12],
    [270, 20],
  ],
}
const siteWith = async (objects = set(job.house, reading.id, reading)) =>
  runOf(await worldOf(objects, option), freshGraph()).value(siteStage)

test('it stands on what is under it, stops no light and keeps no module off', async () => {
  const [with1, without] = [await siteWith(), await siteWith(job.house)]
  const geometry = standingById(with1, reading.id)?.geometry
  const plane = topFaceAt(with1, reading.center)
  if (!geometry || !plane) throw new Error('it stands on the roof')
  expect(geometry.topM).toBeCloseTo(planeHeightM(plane, reading.center) + 0.1, 9)
  expect(geometry.strokes).toHaveLength(3)
  expect([geometry.solids, geometry.crowns, geometry.keepOuts, geometry.faces]).toEqual([[], [], [], []])
  expect(with1.arrays).toEqual(without.arrays)
  // Where the team has measured is in no drawing.
  const drawn = (site: typeof with1) =>
    dxfOf(
      { site, place: { latitudeDeg: 0, longitudeDeg: 0, elevationM: 0 }, nameOf: (id) => id },
      'metric',
      'en-IE',
    )
      .split('\r\n')
      .filter((line) => line === 'LINE' || line === 'TEXT').length
  expect(drawn(with1)).toBe(drawn(without))
  const beside = await siteWith(set(job.house, reading.id, { ...reading, center: [40, 40], heightM: 2 }))
  expect(standingById(beside, reading.id)?.geometry.topM).toBe(2)
})

test('its grip sets how high it was taken, within bounds', () => {
  const { standing } = readingKind
  if (!standing) throw new Error('it stands somewhere')
  const geometry = standing.build(standing.shape(reading), 4)
  const [grip] = standing.handles(reading, geometry)
  if (!grip) throw new Error('it has a grip')
  expect(grip.at).toEqual([0.5, -1, 4.1])
  expect(standing.drag(reading, grip, { heightM: 5.1, at: null })).toEqual({ heightM: 1.1 })
  expect(standing.drag(reading, grip, { heightM: -9, at: null })).toEqual({ heightM: 0 })
  expect(standing.drag(reading, grip, { heightM: 99, at: null })).toEqual({ heightM: 30 })
  expect(standing.move?.to(reading, [3, 4])).toEqual({ center: [3, 4] })
})

test('its fields have bounds', () => {
  expect(readingSchema.safeParse(reading).success).toBe(true)
  for (const wrong of [
    { heightM: -0.1 },
    { heightM: 31 },
    { heights: [[90, 12]] },
    {
      heights: [
        [90, 12],
        [361, 2],
      ],
    },
    {
      heights: [
        [90, 12],
        [20, 81],
      ],
    },
    { heights: Array.from({ length: 721 }, (_, k) => [k / 2, 3]) },
    { center: [0.5] },
  ])
    expect(readingSchema.safeParse({ ...reading, ...wrong }).success).toBe(false)
})
