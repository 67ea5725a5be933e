import { type Vec2 } from '../geometry/vector'
import { fitHouse, type FittedHouse } from './fit'
import { guideLines, roofOver, sideUnder } from './roof-over'
import { rasterOf } from './testing'

const box: Vec2[] = [
  [-5, -4],
  [5, -4],
  [5, 4],
  [-5, 4],
]
const wider = (byM: number) => box.map(([x, y]): Vec2 => [x + Math.sign(x) * byM, y + Math.sign(y) * byM])
const rise = Math.tan((35 * Math.PI) / 180)
const isIn = ([x, y]: Vec2) => Math.abs(x) < 5 && Math.abs(y) < 4

/** Ridge along x, eaves at 3.2 m, 35°. */
const gabled = fitHouse(
  rasterOf((p) => (isIn(p) ? 3.2 + rise * (4 - Math.abs(p[1])) : 0), 0.05),
  box,
)

test.each([0, -0.5, 0.5])(
  'a gabled house drawn by hand, its sides %d m off: pitches, gables, ridge',
  (byM) => {
    const roof = roofOver(wider(byM), gabled)
    expect(roof?.flat).toBeNull()
    // Lower where it is drawn wider, so that the roof lies where it was measured.
    expect(Math.abs((roof?.eaveHeightM ?? 0) - (3.2 - rise * byM))).toBeLessThan(0.08)
    expect(roof?.edges.map((edge) => ('pitchDeg' in edge ? Math.round(edge.pitchDeg) : 'gable'))).toEqual([
      35,
      'gable',
      35,
      'gable',
    ])
  },
)

test('a level roof in walls has their height; beside the house there is nothing to tell', () => {
  const walled = fitHouse(
    rasterOf(([x, y]) => {
      if (!isIn([x, y])) return 0
      return Math.abs(x) > 4.75 || Math.abs(y) > 3.75 ? 6.8 : 6
    }, 0.04),
    box,
  )
  const roof = roofOver(box, walled)
  expect(roof?.eaveHeightM).toBeCloseTo(6, 1)
  expect(roof?.flat?.parapetM).toBeCloseTo(0.8, 1)
  expect(
    roofOver(
      box.map(([x, y]): Vec2 => [x + 20, y]),
      gabled,
    ),
  ).toBeNull()
})

test('planes that make no roof over what was drawn tell nothing', () => {
  // A triangle whose sides no eave runs along.
  const across: Vec2[] = [
    [-4.5, -2.5],
    [4.5, 2.5],
    [-4.5, 2.5],
  ]
  expect(roofOver(across, gabled)).toBeNull()
})

test('a plane rises from the side that it looks across', () => {
  const sides = gabled.planes.map((plane) => sideUnder(box, plane))
  expect(sides.toSorted()).toEqual([0, 2])
  for (const [i, plane] of gabled.planes.entries())
    expect(sides[i]).toBe(Math.abs(plane.azimuthDeg - 180) < 5 ? 0 : 2)
  const corners: FittedHouse['planes'][number]['corners'] = [
    [3, -2, 4],
    [4, 2, 4],
    [3, 2, 5],
  ]
  expect(sideUnder(box, { corners, azimuthDeg: 91 })).toBe(1)
  expect(sideUnder(box, { corners, azimuthDeg: 271 })).toBe(3)
  expect(sideUnder(box, { corners, azimuthDeg: 45 })).toBeNull()
})

test('lines to draw by: every edge once, the ridge of both planes too', () => {
  const lines = guideLines(gabled.planes)
  expect(lines).toHaveLength(7)
  expect(lines.filter(([a, b]) => Math.abs(a[1]) < 0.1 && Math.abs(b[1]) < 0.1)).toHaveLength(1)
})
