import { volumeGeometry } from '../kinds/volume/geometry'
import { type Volume } from '../kinds/volume/volume'
import { emptyGeometry } from '../kinds/standing'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { emptySite, type Site } from '../site/site'
import { HouseLines, nearestWall, wallsIn } from './house-lines'

type Shape = Pick<Volume, 'outline' | 'edges' | 'eaveHeightM'> & Partial<Pick<Volume, 'overhang' | 'flat'>>

const rectangle = (x0: number, y0: number, x1: number, y1: number): Vec2[] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
]

/** Ten by six metres, eaves south and north at 3 m, 30° steep, gables east and west. */
const house: Shape = {
  outline: rectangle(0, 0, 10, 6),
  edges: [{ pitchDeg: 30 }, { gable: true }, { pitchDeg: 30 }, { gable: true }],
  eaveHeightM: 3,
}
const garage: Shape = {
  outline: rectangle(14, 0, 18, 4),
  edges: [0, 1, 2, 3].map(() => ({ pitchDeg: 20 })),
  eaveHeightM: 2.5,
}

const siteOf = (...shapes: Shape[]): Site => ({
  ...emptySite,
  objects: shapes.map((shape, k) => {
    const geometry = volumeGeometry({ role: 'house', flat: null, ...shape })
    return { id: `volume-${k}`, kind: 'volume', key: String(k), geometry, whole: geometry }
  }),
})

const onSouth = (x: number, y: number): Vec3 => [x, y, 3 + Math.tan(Math.PI / 6) * y]

function ways(site: Site, places: readonly (readonly [Vec2, number])[], modules: readonly Vec3[]) {
  const lines = new HouseLines(site)
  const from = modules.map((at) => lines.module(at))
  const devices = places.map(([at, heightM]) => lines.device(at, heightM))
  lines.joinOverGround()
  const [first] = devices
  if (!first) throw new Error('something is placed')
  const found = lines.network.waysFrom(first.node)
  return {
    devices,
    lengths: [...from, ...devices.slice(1).map(({ node }) => node)].map(
      (node) => found(node)?.lengthM ?? null,
    ),
    found,
    from,
  }
}

test('by hand: down the slope, along the eave, down the wall', () => {
  const { lengths, devices } = ways(siteOf(house), [[[7, -0.2], 1.5]], [onSouth(4, 1)])
  expect(devices[0]?.at).toEqual([7, 0, 1.5])
  expect(devices[0]?.offWallM).toBeCloseTo(0.2, 9)
  expect(lengths[0]).toBeCloseTo(1 / Math.cos(Math.PI / 6) + 3 + 1.5, 9)
})

test('where it is as short along an edge, a cable is led there and not over the middle of walls', () => {
  const hip: Shape = { ...house, edges: [0, 1, 2, 3].map(() => ({ pitchDeg: 30 })) }
  const { found, from, lengths } = ways(siteOf(hip), [[[5, 6], 1.5]], [onSouth(5, 1)])
  expect(lengths[0]).toBeCloseTo(1 / Math.cos(Math.PI / 6) + 5 + 6 + 5 + 1.5, 9)
  const points = found(from[0] ?? 0)?.points ?? []
  expect(points.filter(([, , z]) => z < 2.99)).toEqual([[5, 6, 1.5]])
})

test('by hand: from device to device around the corner, at the height of the one', () => {
  const { lengths } = ways(
    siteOf(house),
    [
      [[7, 0], 1.5],
      [[10, 2], 1],
    ],
    [],
  )
  expect(lengths[0]).toBeCloseTo(3 + 0.5 + 2, 9)
})

test('by hand: on one wall, along at the height of the one and up to the other, whichever comes first', () => {
  for (const places of [
    [
      [[7, 0], 1.5],
      [[5.5, 0], 0.9],
    ],
    [
      [[5.5, 0], 0.9],
      [[7, 0], 1.5],
    ],
  ] as const)
    expect(ways(siteOf(house), places, []).lengths[0]).toBeCloseTo(1.5 + 0.6, 9)
})

test('by hand: to the garage over the ground', () => {
  const { lengths } = ways(siteOf(house, garage), [[[14, 2], 1.5]], [onSouth(4, 1)])
  expect(lengths[0]).toBeCloseTo(1 / Math.cos(Math.PI / 6) + 6 + 3 + Math.hypot(4, 2) + 1.5, 9)
})

test('no way over the ground goes through a house', () => {
  // From the garage to the far side: around a corner of the house, and not through its rooms.
  const { lengths } = ways(
    siteOf(house, garage),
    [
      [[14, 2], 1],
      [[0, 3], 1],
    ],
    [],
  )
  const corner = Math.hypot(4, 2)
  expect(lengths[0]).toBeCloseTo(1 + corner + 10 + 3 + 1, 6)
})

test('the overhang is gone under to the wall', () => {
  const over: Shape = { ...house, overhang: { eaveM: 0.5, rakeM: 0.5 } }
  const { lengths, devices } = ways(siteOf(over), [[[7, 0], 1.5]], [onSouth(7, 1)])
  expect(devices[0]?.at[1]).toBeCloseTo(0.5, 9)
  // The wall meets the roof half a metre up its slope.
  const topM = 3 + 0.5 * Math.tan(Math.PI / 6)
  const soffitM = Math.hypot(0.5, topM - 3)
  expect(lengths[0]).toBeCloseTo(1 / Math.cos(Math.PI / 6) + soffitM + (topM - 1.5), 6)
})

test('from a flat roof to its nearest edge, over the parapet and down', () => {
  const flat: Shape = { ...house, flat: { parapetM: 0 } }
  const { lengths } = ways(siteOf(flat), [[[5, 0], 1]], [[5, 2, 3.1]])
  expect(lengths[0]).toBeCloseTo(Math.hypot(2, 0.1) + 2, 6)
})

test('modules on the ground: straight to the foot of the device', () => {
  const { lengths } = ways(siteOf(house), [[[5, 0], 1]], [[5, -20, 0.8]])
  expect(lengths[0]).toBeCloseTo(0.8 + 20 + 1, 9)
})

test('without any house a device stands where it is put', () => {
  const { lengths, devices } = ways(emptySite, [[[3, 0], 1]], [[0, 0, 0.5]])
  expect(devices[0]).toMatchObject({ at: [3, 0, 1], offWallM: 0 })
  expect(lengths[0]).toBeCloseTo(0.5 + 3 + 1, 9)
})

test('neighbours and what has no wall carry nothing', () => {
  const neighbour = volumeGeometry({ ...house, role: 'neighbour', flat: null })
  const site: Site = {
    ...emptySite,
    objects: [
      { id: 'a', kind: 'volume', key: '', geometry: neighbour, whole: neighbour },
      { id: 'b', kind: 'tree', key: '', geometry: emptyGeometry, whole: emptyGeometry },
    ],
  }
  expect(wallsIn(site)).toEqual([])
  expect(nearestWall([], [0, 0])).toBeNull()
})
