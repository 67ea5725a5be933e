import { volumeCorners } from './corners'
import { volumeMovement } from './movement'
import { namesAfter, planeKey, withPlaneName } from './plane-names'
import { volumeSchema, type RoofEdge, type Volume } from './volume'

const house: Volume = {
  id: 'volume-1',
  kind: 'volume',
  name: 'House',
  role: 'house',
  flat: null,
  outline: [
    [0, 0],
    [12, 0],
    [12, 8],
    [0, 8],
  ],
  edges: [30, 31, 32, 33].map((pitchDeg): RoofEdge => ({ pitchDeg })),
  eaveHeightM: 3,
  planeNames: { '0:0': 'Garden', '2:0': 'Street', '2:1': 'Street, upper' },
}

test('a plane is named, renamed and named by itself again', () => {
  const key = planeKey({ edgeIndex: 1, step: 0 })
  const once = { ...house, ...withPlaneName(house, key, ' Kitchen ') }
  expect(once.planeNames).toEqual({ ...house.planeNames, '1:0': 'Kitchen' })
  expect({ ...once, ...withPlaneName(once, key, '  ') }).toEqual(house)
  expect(withPlaneName({}, key, 'Kitchen')).toEqual({ planeNames: { '1:0': 'Kitchen' } })
  expect(volumeSchema.safeParse(once).success).toBe(true)
  for (const planeNames of [{ south: 'x' }, { '1:9': 'x' }, { '0:0': '' }, { '0:0': 'x'.repeat(81) }])
    expect(volumeSchema.safeParse({ ...house, planeNames }).success).toBe(false)
})

test('names stay with their planes when corners come and go, and when the house is mirrored', () => {
  const more = { ...house, ...volumeCorners.insert(house, 1, [12, 4]).fields }
  expect(more.planeNames).toEqual({ '0:0': 'Garden', '3:0': 'Street', '3:1': 'Street, upper' })
  const less = volumeCorners.remove(more, 2)
  expect({ ...more, ...less?.fields }).toEqual(house)
  // Its own first corner goes: the first side is part of the last.
  expect(volumeCorners.remove(house, 0)?.fields.planeNames).toEqual({
    '2:0': 'Garden',
    '1:0': 'Street',
    '1:1': 'Street, upper',
  })
  const turned = volumeMovement.mirrored?.(house, 'east-west')
  // South stays south and north north: the sides between them change places.
  expect(turned?.fields.planeNames).toEqual({
    [`${turned?.sideAfter(0)}:0`]: 'Garden',
    [`${turned?.sideAfter(2)}:0`]: 'Street',
    [`${turned?.sideAfter(2)}:1`]: 'Street, upper',
  })
})

test('of two planes that become one the first keeps its name; a house without names has none afterwards', () => {
  expect(namesAfter({ planeNames: { '0:0': 'A', '1:0': 'B' } }, () => 0)).toEqual({
    planeNames: { '0:0': 'A' },
  })
  const { planeNames: _none, ...bare } = house
  expect('planeNames' in volumeCorners.insert(bare, 0, [3, 0]).fields).toBe(false)
})
