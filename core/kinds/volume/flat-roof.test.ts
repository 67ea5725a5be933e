import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { signedArea } from '../../geometry/polygon'
import { planOf } from '../../roof/plane'
import { panelsOf, standingById } from '../../site/site'
import { shadeBillStage } from '../../stages/shade-bill'
import { siteStage } from '../../stages/site'
import { defaultArray } from '../array/array'
import { volumeGeometry } from './geometry'
import { volumeKind } from './kind'
import { highestParapetM, volumeSchema, type Volume } from './volume'

const block: Volume = {
  id: 'block',
  kind: 'volume',
  name: 'Block',
  role: 'house',
  outline: [
    [40, -5],
    [52, -5],
    [52, 4],
    [40, 4],
  ],
  eaveHeightM: 3,
  edges: [{ pitchDeg: 30 }, { gable: true }, { pitchDeg: 30 }, { gable: true }],
  flat: { parapetM: 0.5 },
}

test('a flat roof is one level face inside its parapet, whatever its edges say', () => {
  const { faces, topM, fault, surfaces } = volumeGeometry(block)
  expect(fault).toBeNull()
  expect(faces).toHaveLength(1)
  expect(faces[0]).toMatchObject({ pitchDeg: 0, normal: [0, 0, 1] })
  expect(faces[0]?.areaM2).toBeCloseTo(11.6 * 8.6, 9)
  expect(faces[0]?.corners.every(([, , z]) => z === 3)).toBe(true)
  expect(topM).toBe(3.5)
  // Outer walls, parapet tops and inner faces, and the roof.
  expect(surfaces).toHaveLength(4 + 4 + 4 + 1)
  const open = volumeGeometry({ ...block, flat: { parapetM: 0 } })
  expect(open.faces[0]?.areaM2).toBeCloseTo(12 * 9, 9)
  expect(open.topM).toBe(3)
  expect(volumeGeometry({ ...block, flat: null }).faces).toHaveLength(2)
})

test('its grips: corners, height and parapet, which is dragged between nothing and what is allowed', () => {
  const { standing } = volumeKind
  const handles = standing?.handles(block, volumeGeometry(block)) ?? []
  expect(handles.map(({ name }) => name).filter((name) => !name.endsWith('corner'))).toEqual([
    'eave',
    'place',
    'parapet',
  ])
  const parapet = handles.find(({ name }) => name === 'parapet')
  if (!standing || !parapet) throw new Error('it has a parapet')
  expect(parapet.at[2]).toBe(3.5)
  const to = (heightM: number) => standing.drag(block, parapet, { heightM, at: null })
  expect(to(3.9)).toEqual({ flat: { parapetM: 0.9 } })
  expect(to(1)).toEqual({ flat: { parapetM: 0 } })
  expect(to(90)).toEqual({ flat: { parapetM: highestParapetM } })
  for (const heightM of [1, 3.9, 90])
    expect(volumeSchema.safeParse({ ...block, ...to(heightM) }).success).toBe(true)
})

test('too narrow for its parapet, its walls stand and say so', () => {
  const narrow = volumeGeometry({
    ...block,
    outline: [
      [0, 0],
      [0.35, 0],
      [0.35, 5],
      [0, 5],
    ],
  })
  expect(narrow.fault?.code).toBe('narrow-parapet')
  expect(narrow.surfaces).toHaveLength(4)
})

test('modules lie level inside the parapet, and what it shades them is charged to the building', async () => {
  const array = { ...defaultArray, id: 'array-flat', volumeId: block.id, edgeIndex: 0 }
  const at = async (parapetM: number) => {
    const house = set(job.house, block.id, { ...block, flat: { parapetM } })
    const run = runOf(await worldOf(house, set(option, array.id, array)), freshGraph())
    const site = run.value(siteStage)
    const laid = panelsOf(site).filter(({ arrayId }) => arrayId === array.id)
    const kwh = run.value(shadeBillStage).casters.find(({ id }) => id === block.id)?.kwh ?? 0
    return { laid, kwh, plan: planOf(standingById(site, block.id)?.geometry.faces[0]?.corners ?? []) }
  }
  const [low, high] = [await at(0.05), await at(1.2)]
  expect(low.laid.length).toBeGreaterThan(20)
  expect(high.laid).toHaveLength(low.laid.length)
  expect(signedArea(low.plan)).toBeCloseTo(11.6 * 8.6, 6)
  for (const { corners } of low.laid)
    for (const [x, y, z] of corners) {
      expect(z).toBeCloseTo(3.12, 9)
      expect(x > 40.2 && x < 51.8 && y > -4.8 && y < 3.8).toBe(true)
    }
  expect(high.kwh).toBeGreaterThan(low.kwh + 100)
}, 60_000)
