import { type Vec3 } from '@/core/geometry/vector'
import { en } from './en/index'
import { planeNames, type PlaneToName } from './plane-names'

const square = (x: number, y: number): Vec3[] => [
  [x, y, 3],
  [x + 2, y, 3],
  [x + 2, y + 2, 4],
  [x, y + 2, 4],
]
const plane = (
  key: string,
  azimuthDeg: number,
  corners: Vec3[],
  more: Partial<PlaneToName> = {},
): PlaneToName => ({
  key,
  plane: { pitchDeg: 30, azimuthDeg, corners },
  given: null,
  of: null,
  ...more,
})
const named = (...planes: PlaneToName[]) => [...planeNames(planes, en)].sort(([a], [b]) => a.localeCompare(b))

test('the only one that looks a way is named by it, with its roof where there are several', () => {
  expect(named(plane('a', 172, square(0, 0)), plane('b', 352, square(0, 9)))).toEqual([
    ['a', 'South'],
    ['b', 'North'],
  ])
  expect(named(plane('a', 180, square(0, 0), { of: 'Garage' }))).toEqual([['a', 'South, Garage']])
  expect(
    named({ ...plane('a', 0, square(0, 0)), plane: { pitchDeg: 0, azimuthDeg: 0, corners: square(0, 0) } }),
  ).toEqual([['a', 'Level']])
})

test('those that look the same way are told apart by where they lie', () => {
  expect(named(plane('a', 180, square(-9, 0)), plane('b', 180, square(9, 0)))).toEqual([
    ['a', 'South, west'],
    ['b', 'South, east'],
  ])
  expect(
    named(plane('a', 180, square(-9, 0)), plane('b', 180, square(0, 0)), plane('c', 180, square(9, 0))),
  ).toEqual([
    ['a', 'South, west'],
    ['b', 'South, middle'],
    ['c', 'South, east'],
  ])
  expect(named(plane('a', 90, square(0, 8)), plane('b', 90, square(0, -8)))).toEqual([
    ['a', 'East, north'],
    ['b', 'East, south'],
  ])
})

test('a given name is kept, and no two are the same whatever is given', () => {
  const names = named(
    plane('a', 180, square(-9, 0), { given: 'Kitchen' }),
    plane('b', 180, square(9, 0)),
    plane('c', 0, square(0, 9), { given: 'South' }),
    plane('d', 90, square(5, 5), { given: 'Kitchen' }),
    plane('e', 270, square(1, 1)),
    plane('f', 270, square(1, 1)),
  )
  expect(names).toEqual([
    ['a', 'Kitchen'],
    ['b', 'South 2'],
    ['c', 'South'],
    ['d', 'Kitchen 2'],
    ['e', 'West, middle'],
    ['f', 'West, middle 2'],
  ])
})
