import fc from 'fast-check'
import { localOf, placeOf, tileAt, tileCorner } from './geo'
import {
  centroid,
  containsPoint,
  isConvex,
  nearestOnSegment,
  selfCrossing,
  signedArea,
  triangulate,
  turnedRectangle,
} from './polygon'
import { type Vec2 } from './vector'

const ell: Vec2[] = [
  [0, 0],
  [4, 0],
  [4, 1],
  [1, 1],
  [1, 3],
  [0, 3],
]

test('areas and middles by hand', () => {
  expect(signedArea(ell)).toBe(6)
  expect(signedArea([...ell].reverse())).toBe(-6)
  // Two rectangles: 4 x 1 at (2, 0.5) and 1 x 2 at (0.5, 2).
  expect(centroid(ell)[0]).toBeCloseTo((4 * 2 + 2 * 0.5) / 6, 12)
  expect(centroid(ell)[1]).toBeCloseTo((4 * 0.5 + 2 * 2) / 6, 12)
  expect(isConvex(ell)).toBe(false)
})

test('triangles cover the polygon', () => {
  const sum = triangulate(ell).reduce((s, t) => s + Math.abs(signedArea(t.map((i) => ell[i] ?? [0, 0]))), 0)
  expect(sum).toBeCloseTo(6, 12)
})

test('inside, nearest, crossing', () => {
  expect(containsPoint(ell, [0.5, 2.5])).toBe(true)
  expect(containsPoint(ell, [2, 2])).toBe(false)
  expect(nearestOnSegment([0, 0], [4, 0], [1, 2])).toEqual({ point: [1, 0], along: 0.25, distanceM: 2 })
  expect(selfCrossing(ell)).toBeNull()
  expect(
    selfCrossing([
      [0, 0],
      [2, 2],
      [2, 0],
      [0, 2],
    ]),
  ).toEqual([0, 2])
})

test('a turned rectangle keeps its size', () => {
  fc.assert(
    fc.property(fc.double({ min: -180, max: 180, noNaN: true }), (turn) => {
      expect(signedArea(turnedRectangle([3, 4], 2, 5, turn))).toBeCloseTo(10, 9)
    }),
    { seed: 1 },
  )
})

test('metres and degrees, there and back; a tile holds its place', () => {
  const home = { latitudeDeg: 41.6, longitudeDeg: -71.4 }
  const back = localOf(home, placeOf(home, [120, -80]))
  expect(back[0]).toBeCloseTo(120, 6)
  expect(back[1]).toBeCloseTo(-80, 6)
  // WGS 84 at 41.6 degrees: 111 063 m for a degree of latitude.
  expect(localOf(home, { latitudeDeg: 42.6, longitudeDeg: -71.4 })[1]).toBeCloseTo(111_067, -2)
  const tile = tileAt(home, 19)
  const [nw, se] = [tileCorner(tile), tileCorner({ z: 19, x: tile.x + 1, y: tile.y + 1 })]
  expect(nw.latitudeDeg).toBeGreaterThan(home.latitudeDeg)
  expect(se.latitudeDeg).toBeLessThan(home.latitudeDeg)
  expect(nw.longitudeDeg).toBeLessThan(home.longitudeDeg)
})
