import { fittedPractice } from '@/town/practice/flown'
import { practiceHouse, practiceKinds } from '@/town/practice/houses'
import { volumeSchema } from '../kinds/volume/volume'
import { dormerSchema } from '../kinds/dormer/dormer'
import { chimneySchema } from '../kinds/chimney/chimney'
import { treeSchema } from '../kinds/tree/tree'
import { type FittedHouse, type FittedPlane } from './fit'
import { objectsOf } from './objects'

const named = { id: 'a-1', name: 'A' }

test('fitted houses come out as the objects they were made of, and as documents may hold them', () => {
  let [dormers, dormersFound] = [0, 0]
  for (const kind of practiceKinds)
    for (let house = 0; house < 64; house += 9) {
      const { fitted } = fittedPractice(7003, kind, house, 0.25, 0.08)
      const objects = objectsOf(fitted, 'house')
      const { lot } = practiceHouse(7003, kind, house)
      expect(objects.agreement).toBeGreaterThan(0.95)
      expect(objects.volumes).toHaveLength(lot.volumes.length)
      dormers += lot.dormers.length
      dormersFound += objects.dormers.length
      for (const volume of objects.volumes) volumeSchema.parse({ ...volume, ...named })
      for (const dormer of objects.dormers) dormerSchema.parse({ ...dormer, ...named, clearanceM: 0.3 })
      for (const { is: _is, ...chimney } of objects.chimneys)
        chimneySchema.parse({ ...chimney, ...named, clearanceM: 0 })
      for (const tree of objects.trees)
        treeSchema.parse({
          ...tree,
          ...named,
          foliage: 'broadleaf',
          transmissivity: Array.from({ length: 12 }, () => 0.5),
        })
      // Eaves by what was built; of several volumes the tallest.
      const eave = (volumes: readonly { eaveHeightM: number }[]) =>
        Math.max(...volumes.map(({ eaveHeightM }) => eaveHeightM))
      expect(Math.abs(eave(objects.volumes) - eave(lot.volumes))).toBeLessThan(0.15)
    }
  expect(dormersFound).toBe(dormers)
}, 120_000)

const fit = { cells: 100, rmsM: 0.05, pitchSpreadDeg: 0.1 }

/** A half-hipped end by hand: 8 m by 10 m, 45°, eaves at 3 m, the end cut off from 2 m over the eave. */
function halfHipped(): FittedHouse {
  const s = Math.SQRT1_2
  const plane = (corners: FittedPlane['corners'], normal: FittedPlane['normal'], azimuthDeg: number) => ({
    id: 'p',
    edgeIndex: 0,
    step: 0,
    corners,
    edges: [],
    pitchDeg: 45,
    azimuthDeg,
    areaM2: 30,
    normal,
    fit,
  })
  return {
    outline: [
      [0, 0],
      [10, 0],
      [10, 8],
      [0, 8],
    ],
    planes: [
      plane(
        [
          [0, 0, 103],
          [10, 0, 103],
          [10, 2, 105],
          [8, 4, 107],
          [0, 4, 107],
        ],
        [0, -s, s],
        180,
      ),
      plane(
        [
          [10, 8, 103],
          [0, 8, 103],
          [0, 4, 107],
          [8, 4, 107],
          [10, 6, 105],
        ],
        [0, s, s],
        0,
      ),
      plane(
        [
          [10, 2, 105],
          [10, 6, 105],
          [8, 4, 107],
        ],
        [s, 0, s],
        90,
      ),
    ],
    obstructions: [],
    trees: [],
    groundM: 100,
    rmsM: 0,
    withinShare: 1,
  }
}

test('a gable that is cut off by a slope, by hand', () => {
  const { volumes, agreement } = objectsOf(halfHipped(), 'house')
  expect(agreement).toBe(1)
  expect(volumes).toHaveLength(1)
  expect(volumes[0]?.eaveHeightM).toBe(3)
  expect(volumes[0]?.edges).toEqual([
    { pitchDeg: 45 },
    {
      profile: [
        [0, 90],
        [2, 45],
      ],
    },
    { pitchDeg: 45 },
    { gable: true },
  ])
})

test('what is larger than a document may hold is as large as it may be', () => {
  const { chimneys, trees, volumes } = objectsOf(
    {
      ...halfHipped(),
      groundM: 20,
      obstructions: [
        {
          kind: 'block',
          base: [
            [0, 0],
            [30, 0],
            [30, 25],
            [0, 25],
          ],
          bottomM: 103,
          topM: 130,
          overM: 27,
        },
      ],
      trees: [{ x: 30, y: 0, heightM: 90, crownDiameterM: 55 }],
    },
    'house',
  )
  for (const volume of volumes) volumeSchema.parse({ ...volume, ...named })
  expect(chimneys).toHaveLength(1)
  for (const { is: _is, ...chimney } of chimneys) chimneySchema.parse({ ...chimney, ...named, clearanceM: 0 })
  for (const tree of trees)
    treeSchema.parse({
      ...tree,
      ...named,
      foliage: 'broadleaf',
      transmissivity: Array.from({ length: 12 }, () => 0.5),
    })
})

test('a patch that stands amid the planes without meeting them does not cost the house its roof', () => {
  const house = halfHipped()
  const [south, ...others] = house.planes
  if (!south) throw new Error('the house has a south side')
  const patch: FittedPlane['corners'] = [
    [3, 1, 107],
    [4, 1, 107],
    [4, 2, 107],
    [3, 2, 107],
  ]
  const amid: FittedPlane = { ...south, corners: patch, pitchDeg: 0, normal: [0, 0, 1], areaM2: 1 }
  const planes = [{ ...south, holes: [patch.toReversed()] }, ...others, amid]
  const { volumes, agreement } = objectsOf({ ...house, planes }, 'house')
  expect(volumes[0]?.outline).toEqual(house.outline)
  expect(volumes[0]?.edges).toEqual(objectsOf(house, 'house').volumes[0]?.edges)
  expect(agreement).toBeGreaterThan(0.95)
  // Nor where the planes go around it in parts, each on one side of it.
  const parts: FittedPlane['corners'][] = [
    [
      [0, 0, 103],
      [10, 0, 103],
      [10, 1, 104],
      [0, 1, 104],
    ],
    [
      [0, 1, 104],
      [3, 1, 104],
      [3, 2, 105],
      [0, 2, 105],
    ],
    [
      [4, 1, 104],
      [10, 1, 104],
      [10, 2, 105],
      [4, 2, 105],
    ],
    [
      [0, 2, 105],
      [10, 2, 105],
      [8, 4, 107],
      [0, 4, 107],
    ],
  ]
  const apart = [...parts.map((corners) => ({ ...south, corners })), ...others, amid]
  expect(objectsOf({ ...house, planes: apart }, 'house').volumes[0]?.outline).toEqual(house.outline)
})
