import { formOf, type Volume } from '@/core/kinds/volume/volume'
import { volumeSchema } from '@/core/kinds/volume/volume'
import { edgesWithRidgeAt } from '@/core/kinds/volume/ridge'
import { buildRoof } from '@/core/roof/roof'
import { formed, toggled, withStep } from './toggled'

const house: Volume = {
  id: 'volume-1',
  kind: 'volume',
  flat: null,
  name: 'House',
  role: 'house',
  outline: [
    [0, 0],
    [10, 0],
    [10, 8],
    [0, 8],
  ],
  eaveHeightM: 3,
  edges: [{ pitchDeg: 40 }, { gable: true }, { pitchDeg: 40 }, { gable: true }],
}
const ridgeM = buildRoof(house).ridgeHeightM

test('a gable becomes a half-hip halfway up, and the document takes it', () => {
  const next = formed(house, 1, 'half-hip', ridgeM)
  expect(next.edges[1]).toEqual({
    profile: [
      [0, 90],
      [1.68, 45],
    ],
  })
  expect(volumeSchema.safeParse(next).success).toBe(true)
  expect(buildRoof(next).planes.map(({ id }) => id)).toEqual(['e0', 'e1.1', 'e2'])
  expect(formed(next, 1, 'half-hip', ridgeM)).toBe(next)
  expect(formed(next, 1, 'gable', ridgeM).edges).toEqual(house.edges)
})

test('every form can follow every other, and its roof stands', () => {
  const forms = ['slope', 'gable', 'half-hip', 'mansard'] as const
  for (const from of forms)
    for (const to of forms) {
      const next = formed(formed(house, 0, from, ridgeM), 0, to, null)
      expect(formOf(next.edges[0] ?? { pitchDeg: 1 })).toBe(to)
      expect(volumeSchema.safeParse(next).success).toBe(true)
      expect(
        buildRoof({ ...next, edges: next.edges.map((edge, i) => (i === 2 ? { pitchDeg: 35 } : edge)) }).planes
          .length,
      ).toBeGreaterThan(0)
    }
  expect(formOf(toggled(formed(house, 0, 'mansard', ridgeM), 0).edges[0] ?? { pitchDeg: 1 })).toBe('gable')
})

test('a stretch is typed by itself; one below the last is refused by the document', () => {
  const edge = formed(house, 0, 'mansard', ridgeM).edges[0]
  if (!edge || !('profile' in edge)) throw new Error('a mansard has a profile')
  const typed = withStep(withStep(edge, 1, { fromM: 2 }), 0, { pitchDeg: 65 })
  expect(typed).toEqual({
    profile: [
      [0, 65],
      [2, 24],
    ],
  })
  const wrong = { ...house, edges: [withStep(edge, 1, { fromM: 0 }), ...house.edges.slice(1)] }
  expect(volumeSchema.safeParse(wrong).error?.issues[0]?.path).toEqual(['edges', 0, 'profile'])
})

test('the ridge dragged stretches heights and pitches alike, so that the plan of the ridges stays', () => {
  const half = formed(formed(house, 1, 'half-hip', ridgeM), 0, 'mansard', ridgeM)
  const before = buildRoof(half)
  const edges = edgesWithRidgeAt(half, before.ridgeHeightM, before.ridgeHeightM + 0.5)
  const after = buildRoof({ ...half, edges })
  expect(after.ridgeHeightM).toBeCloseTo(before.ridgeHeightM + 0.5, 1)
  expect(after.planes.map(({ id }) => id)).toEqual(before.planes.map(({ id }) => id))
  expect(edges[3]).toEqual({ gable: true })
})
