import fc from 'fast-check'
import { along, heightUnderRay, rayEllipsoid, rayLevel, rayPolygon } from './ray'
import { type Vec3 } from './vector'

const down = (x: number, y: number) => ({ origin: [x, y, 10] as Vec3, direction: [0, 0, -1] as Vec3 })
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

test('a flat square is met inside and missed outside, upright ones too', () => {
  const square: Vec3[] = [
    [0, 0, 2],
    [4, 0, 2],
    [4, 4, 2],
    [0, 4, 2],
  ]
  expect(rayPolygon(down(1, 1), square)).toBe(8)
  expect(rayPolygon(down(5, 1), square)).toBeNull()
  const wall: Vec3[] = [
    [0, 3, 0],
    [4, 3, 0],
    [4, 3, 5],
    [0, 3, 5],
  ]
  expect(rayPolygon({ origin: [2, 0, 1], direction: [0, 1, 0] }, wall)).toBe(3)
  expect(rayPolygon({ origin: [2, 0, 6], direction: [0, 1, 0] }, wall)).toBeNull()
  expect(rayPolygon({ origin: [2, 6, 1], direction: [0, 1, 0] }, wall)).toBeNull()
})

test('a level is met below, not above or beside', () => {
  expect(rayLevel(down(3, 4), 2)).toEqual([3, 4, 2])
  expect(rayLevel({ origin: [0, 0, 1], direction: [0, 0, 1] }, 0)).toBeNull()
  expect(rayLevel({ origin: [0, 0, 1], direction: [1, 0, 0] }, 0)).toBeNull()
})

test('where a ray meets an ellipsoid it stands on its skin', () => {
  fc.assert(
    fc.property(number(-3, 3), number(-3, 3), (x, y) => {
      const t = rayEllipsoid(down(x, y), [0, 0, 2], 2, 1)
      if (x * x + y * y > 4.0001) expect(t).toBeNull()
      if (t === null) return
      const p = along(down(x, y), t)
      expect((p[0] / 2) ** 2 + (p[1] / 2) ** 2 + (p[2] - 2) ** 2).toBeCloseTo(1, 6)
    }),
    { seed: 8 },
  )
})

test('a sight that points at an upright line gives the height it points at', () => {
  fc.assert(
    fc.property(number(-5, 5), number(0.5, 9), number(3, 40), (x, height, away) => {
      const eye: Vec3 = [x + away, -away, 12]
      const direction: Vec3 = [x - eye[0], 0 - eye[1], height - eye[2]]
      expect(heightUnderRay({ origin: eye, direction }, [x, 0])).toBeCloseTo(height, 6)
    }),
    { seed: 4 },
  )
})
