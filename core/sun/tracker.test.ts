import fc from 'fast-check'
import { sunHours } from './sun-hours'
import { normalOf, trackedNormals, type Tracker } from './tracker'

const direction = (elevationDeg: number, azimuthDeg: number) => {
  const [e, a] = [(elevationDeg * Math.PI) / 180, (azimuthDeg * Math.PI) / 180]
  return Float64Array.of(Math.cos(e) * Math.sin(a), Math.cos(e) * Math.cos(a), Math.sin(e))
}
const level = {
  kind: 'one-axis',
  axisTiltDeg: 0,
  axisAzimuthDeg: 0,
  limitDeg: 90,
  groundCover: 0.4,
  backtracking: false,
} as const
const turnOf = (tracker: Tracker, elevationDeg: number, azimuthDeg: number) => {
  const [east = 0, , up = 0] = trackedNormals(tracker, { direction: direction(elevationDeg, azimuthDeg) })
  return (Math.atan2(east, up) * 180) / Math.PI
}

test('a level north-south axis turns to the sun’s height across it', () => {
  expect(turnOf(level, 30, 90)).toBeCloseTo(60, 9)
  expect(turnOf(level, 30, 270)).toBeCloseTo(-60, 9)
  expect(turnOf(level, 90, 0)).toBeCloseTo(0, 9)
  // By hand: tan R = cos 40 sin 120 / sin 40.
  expect(turnOf(level, 40, 120)).toBeCloseTo(
    (Math.atan2(Math.cos(40 * rad) * Math.sin(120 * rad), Math.sin(40 * rad)) * 180) / Math.PI,
    9,
  )
  expect(turnOf({ ...level, limitDeg: 45 }, 30, 90)).toBeCloseTo(45, 9)
})

const rad = Math.PI / 180

test('rows turn back until their shadows just meet', () => {
  const back = { ...level, backtracking: true }
  // Sun at 10 degrees in the east: ideal 80, cos 80 / 0.4 = 0.4341, back by acos of it.
  const turn = turnOf(back, 10, 90)
  expect(turn).toBeCloseTo(80 - Math.acos(Math.cos(80 * rad) / 0.4) / rad, 9)
  // Width across the light of one row and the next one's distance across it are then the same.
  const incidence = (80 - turn) * rad
  expect(0.4 * Math.cos(incidence)).toBeCloseTo(Math.cos(80 * rad) / 1, 9)
  // High sun: no need to.
  expect(turnOf(back, 60, 90)).toBeCloseTo(30, 9)
})

test('two axes look straight into the sun, as far as they tilt', () => {
  const [east, north, up] = trackedNormals(
    { kind: 'two-axis', limitDeg: 90 },
    { direction: direction(20, 140) },
  )
  expect([east, north, up]).toEqual([...direction(20, 140)])
  const held = trackedNormals({ kind: 'two-axis', limitDeg: 60 }, { direction: direction(20, 140) })
  expect((Math.acos(held[2] ?? 0) * 180) / Math.PI).toBeCloseTo(60, 9)
})

test('whatever the axis, normals have length 1 and no fixed plane of the same axis does better', () => {
  const sun = sunHours({ latitudeDeg: 35, longitudeDeg: 0, elevationM: 0 }, 0, 60)
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 359 }), (tilt, azimuth) => {
      const tracker = { ...level, axisTiltDeg: tilt, axisAzimuthDeg: azimuth }
      const normals = trackedNormals(tracker, sun)
      const fixed = normalOf(tilt, azimuth + 180)
      for (let k = 0; k < normals.length; k += 3 * 61) {
        const cosine = (n: ArrayLike<number>, at: number) =>
          (n[at] ?? 0) * (sun.direction[k] ?? 0) +
          (n[at + 1] ?? 0) * (sun.direction[k + 1] ?? 0) +
          (n[at + 2] ?? 0) * (sun.direction[k + 2] ?? 0)
        const length = Math.hypot(normals[k] ?? 0, normals[k + 1] ?? 0, normals[k + 2] ?? 0)
        if (Math.abs(length - 1) > 1e-9 || cosine(normals, k) < cosine(fixed, 0) - 1e-9) return false
      }
      return true
    }),
    { seed: 11, numRuns: 40 },
  )
})
