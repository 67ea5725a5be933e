import fc from 'fast-check'
import { toRadians } from '../model/units'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { sunHours } from '../sun/sun-hours'
import { type Receiver } from './engine'
import { farHorizon } from './far-horizon'
import { bodiesOf, litByInterval, shadeOn, type Occluder } from './scene'

const place = { latitudeDeg: 52, longitudeDeg: 7.5, elevationM: 60 }
const sun = sunHours(place, 1, 30, 2023)
const level: Receiver = [
  [-0.5, -0.5, 0],
  [0.5, -0.5, 0],
  [0.5, 0.5, 0],
  [-0.5, 0.5, 0],
]
const on = (surface: Receiver, occluders: readonly Occluder[], horizon?: ReturnType<typeof farHorizon>) =>
  shadeOn(surface, occluders.map(bodiesOf), sun, horizon)

const box = (id: string, [x0, y0]: Vec2, [x1, y1]: Vec2, bottomM: number, topM: number): Occluder => ({
  id,
  kind: 'prism',
  base: [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ],
  bottomM,
  topM,
})

/** The same box as twelve triangles. */
const asMesh = (of: Occluder): Occluder => {
  if (of.kind !== 'prism') return of
  const ring = (z: number) => of.base.map(([x, y]): Vec3 => [x, y, z])
  const sides = [0, 1, 2, 3].flatMap((i): [number, number, number][] => {
    const j = (i + 1) % 4
    return [
      [i, j, 4 + j],
      [i, 4 + j, 4 + i],
    ]
  })
  return {
    id: of.id,
    kind: 'mesh',
    vertices: [...ring(of.bottomM), ...ring(of.topM)],
    triangles: [[0, 2, 1], [0, 3, 2], [4, 5, 6], [4, 6, 7], ...sides],
  }
}

test('in the open nothing is lost, and the sun is lit whenever it is before the surface', () => {
  const open = on(level, [])
  expect([open.skyView, open.beamShadedShare]).toEqual([1, expect.closeTo(0, 5)])
  const lit = litByInterval(open, sun)
  expect(lit.filter((share) => share === 1).length).toBeGreaterThan(sun.interval.length - 400)
})

test('the edge of an endless wall leaves half of the sky; a wall of an angle leaves (1 + cos) / 2', () => {
  // To the south: hides what is lower than its top seen from the middle.
  const wall = (angleDeg: number) =>
    on(level, [box('wall', [-5000, -10.5], [5000, -10], -1, 10 * Math.tan(toRadians(angleDeg)))])
  for (const angleDeg of [20, 45, 70])
    expect(wall(angleDeg).skyView).toBeCloseTo((1 + Math.cos(toRadians(angleDeg))) / 2, 2)
  expect(wall(89.9).skyView).toBeCloseTo(0.5, 2)
})

test('a far horizon hides beam and sky like a wall round about, and is charged for it by itself', () => {
  const raised = on(level, [], farHorizon([[0, 30]]))
  // Of the cosine-weighted dome sin²(30°) lies below 30 degrees.
  expect(raised.skyView).toBeCloseTo(0.75, 2)
  expect(raised.shareBy).toEqual([])
  const low = farHorizon([[0, 0]])
  expect(on(level, [], low).beamShadedShare).toBeCloseTo(0, 4)
  expect(raised.beamShadedShare).toBeGreaterThan(0.15)
  expect(raised.beamShadedShare).toBeLessThan(0.6)
})

test('a horizon runs straight between its heights, and round the north', () => {
  const horizon = farHorizon([
    [350, 10],
    [10, 30],
    [180, 0],
  ])
  const hides = (azimuthDeg: number, elevationDeg: number) => {
    const [a, e] = [toRadians(azimuthDeg), toRadians(elevationDeg)]
    return horizon(Math.cos(e) * Math.sin(a), Math.cos(e) * Math.cos(a), Math.sin(e))
  }
  for (const [azimuthDeg, heightDeg] of [
    [0, 20],
    [355, 15],
    [5, 25],
    [95, 15],
    [265, 5],
  ] as const) {
    expect([hides(azimuthDeg, heightDeg - 0.1), hides(azimuthDeg, heightDeg + 0.1)]).toEqual([true, false])
  }
  expect(farHorizon([])(0, 1, 0.001)).toBe(false)
})

test('a body as triangles shades as the same body does, and parts of the shade sum to the whole', () => {
  const coordinate = fc.double({ min: -12, max: 12, noNaN: true })
  fc.assert(
    fc.property(
      fc.array(fc.tuple(coordinate, coordinate, fc.double({ min: 0.2, max: 9, noNaN: true })), {
        minLength: 1,
        maxLength: 3,
      }),
      (spots) => {
        // Not over the surface itself.
        const boxes = spots
          .filter(([x, y]) => Math.hypot(x, y) > 3)
          .map(([x, y, top], i) => box(`b${i}`, [x - 1, y - 1], [x + 1, y + 1], 0, top))
        const solid = on(level, boxes)
        const mesh = on(level, boxes.map(asMesh))
        expect(mesh.beamShadedShare).toBeCloseTo(solid.beamShadedShare, 3)
        expect(mesh.skyView).toBeCloseTo(solid.skyView, 3)
        expect(solid.shareBy.reduce((a, b) => a + b, 0)).toBeCloseTo(solid.beamShadedShare, 4)
      },
    ),
    { seed: 31, numRuns: 40 },
  )
})

test('a crown takes what it does not let through, month by month; a surface on a body is not shaded by it', () => {
  const crown = (transmissivity: number): Occluder => ({
    id: 'tree',
    kind: 'crown',
    center: [0, -6, 4],
    radiusM: 3,
    halfHeightM: 3,
    transmissivity: new Array<number>(12).fill(transmissivity),
  })
  const opaque = on(level, [crown(0)]).beamShadedShare
  expect(opaque).toBeGreaterThan(0.1)
  expect(on(level, [crown(0.4)]).beamShadedShare).toBeCloseTo(0.6 * opaque, 6)
  const roof = box('house', [-5, -5], [5, 5], -3, 0)
  for (const under of [roof, asMesh(roof)]) expect(on(level, [under]).skyView).toBe(1)
})

test('a leap year has its day, and February its length', () => {
  const leap = sunHours(place, 1, 60, 2024)
  expect(leap.intervals).toBe(8784)
  const february = leap.interval.filter((_, k) => leap.month[k] === 1)
  expect(Math.floor((february.at(0) ?? 0) / 24)).toBe(31)
  expect(Math.floor((february.at(-1) ?? 0) / 24)).toBe(59)
  expect(sunHours(place, 1, 60).intervals).toBe(8760)
})
