import fc from 'fast-check'
import { distance2, type Vec2 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { calibrated, onGround, onSheet, type Lie } from './lie'

const coordinate = fc.double({ min: -200, max: 200, noNaN: true })
const point = fc.tuple(coordinate, coordinate)
const lies: fc.Arbitrary<Lie> = fc.record({
  metresPerUnit: fc.double({ min: 0.01, max: 2, noNaN: true }),
  center: point,
  rotationDeg: fc.double({ min: -180, max: 180, noNaN: true }),
})

test('a picture of 20 px to the metre, turned a quarter, by hand', () => {
  const lie: Lie = { metresPerUnit: 0.05, center: [10, 4], rotationDeg: 90 }
  const [x, y] = onGround(lie, [100, 40])
  expect([x, y]).toEqual([expect.closeTo(8, 9), expect.closeTo(9, 9)])
})

test('two points and a length: 200 px are 8 m, and the first point stays', () => {
  const lie: Lie = { metresPerUnit: 0.1, center: [0, 0], rotationDeg: 0 }
  // On the ground 20 m apart now.
  const scaled = calibrated(
    lie,
    [
      [-10, 0],
      [10, 0],
    ],
    8,
    null,
  )
  expect(scaled).toEqual({ metresPerUnit: 0.04, center: [-6, 0], rotationDeg: 0 })
  // The same with the line told to run north: what lay to its left, its upper side, is in the west.
  const turned = calibrated(
    lie,
    [
      [-10, 0],
      [10, 0],
    ],
    20,
    0,
  )
  expect(turned).toEqual({ metresPerUnit: 0.1, center: [-10, 10], rotationDeg: 90 })
})

test('whatever it is scaled to, the points are so far apart, so directed, and the first where it was', () => {
  fc.assert(
    fc.property(
      lies,
      point,
      point,
      fc.double({ min: 0.5, max: 60, noNaN: true }),
      fc.option(fc.double({ min: 0, max: 360, noNaN: true })),
      (lie, a, b, lengthM, azimuthDeg) => {
        fc.pre(distance2(a, b) > 1 && distance2(lie.center, a) * (lengthM / distance2(a, b)) < 250)
        const [onA, onB] = [onSheet(lie, a), onSheet(lie, b)]
        expect(distance2(onGround(lie, onA), a)).toBeLessThan(1e-9)
        const after = calibrated(lie, [a, b], lengthM, azimuthDeg)
        const [a2, b2]: [Vec2, Vec2] = [onGround(after, onA), onGround(after, onB)]
        expect(distance2(a2, a)).toBeLessThan(0.001)
        expect(distance2(a2, b2)).toBeCloseTo(lengthM, 4)
        const way = azimuthDeg ?? (Math.atan2(b[0] - a[0], b[1] - a[1]) * 180) / Math.PI
        const off = (Math.atan2(b2[0] - a2[0], b2[1] - a2[1]) * 180) / Math.PI - way
        expect(Math.abs(Math.sin((off * Math.PI) / 360))).toBeLessThan(1e-5)
      },
    ),
    { seed: 12, numRuns: 500 },
  )
})

test('one point twice says no scale, and a scale may not run away', () => {
  const lie: Lie = { metresPerUnit: 0.1, center: [0, 0], rotationDeg: 0 }
  const fault = (points: readonly [Vec2, Vec2], lengthM: number) => {
    try {
      calibrated(lie, points, lengthM, null)
    } catch (error) {
      if (error instanceof Fault) return error.code
    }
    return 'none'
  }
  expect(
    fault(
      [
        [3, 3],
        [3, 3],
      ],
      5,
    ),
  ).toBe('points-too-near')
  expect(
    fault(
      [
        [0, 0],
        [0.01, 0],
      ],
      1e6,
    ),
  ).toBe('scale-out-of-range')
  expect(
    fault(
      [
        [0, 0],
        [500, 0],
      ],
      0.001,
    ),
  ).toBe('scale-out-of-range')
})
