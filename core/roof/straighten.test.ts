import { seededRandom } from '../model/random'
import { type Vec2 } from '../geometry/vector'
import { type RoofEdge } from './profile'
import { buildRoof } from './roof'
import { straightened } from './straighten'

const gable: RoofEdge = { gable: true }
/** A T: main bar 12 x 6, wing 4 wide to the south. */
const tee: Vec2[] = [
  [0, 0],
  [4, 0],
  [4, -4],
  [8, -4],
  [8, 0],
  [12, 0],
  [12, 6],
  [0, 6],
]
const edges: RoofEdge[] = tee.map((_, i) => ([2, 5, 7].includes(i) ? gable : { pitchDeg: 35 }))
const turned = (degrees: number): Vec2[] => {
  const a = (degrees * Math.PI) / 180
  return tee.map(([x, y]) => [x * Math.cos(a) - y * Math.sin(a), x * Math.sin(a) + y * Math.cos(a)])
}
const rounded = (outline: readonly Vec2[], step: number): Vec2[] =>
  outline.map(([x, y]) => [Math.round(x / step) * step, Math.round(y / step) * step])
const planesOver = (outline: readonly Vec2[]) =>
  buildRoof({ outline, edges, eaveHeightM: 3 })
    .planes.map((p) => p.id)
    .sort()

test('a house drawn to the millimetre has the same planes as an exact one, however it is turned', () => {
  let split = 0
  for (let turn = 0; turn < 180; turn += 7)
    for (const step of [1e-4, 1e-3]) {
      const drawn = rounded(turned(turn), step)
      if (planesOver(drawn).length > 4) split++
      const straight = straightened(drawn, edges)
      expect(planesOver(straight)).toEqual(['e0', 'e1', 'e3', 'e6'])
      straight.forEach(([x, y], i) => {
        expect(Math.hypot(x - (drawn[i]?.[0] ?? 0), y - (drawn[i]?.[1] ?? 0))).toBeLessThan(4 * step)
      })
    }
  // Else there would be nothing to straighten.
  expect(split).toBeGreaterThan(30)
})

test('what is in one line already, or in none, comes back as it is', () => {
  const exact = straightened(tee, edges)
  exact.forEach((corner, i) => {
    expect(corner[0]).toBeCloseTo(tee[i]?.[0] ?? NaN, 12)
    expect(corner[1]).toBeCloseTo(tee[i]?.[1] ?? NaN, 12)
  })
  const square: Vec2[] = [
    [0, 0],
    [5, 0],
    [5, 5],
    [0, 5],
  ]
  expect(
    straightened(
      square,
      square.map(() => gable),
    ),
  ).toBe(square)
})

test('shoulders two centimetres apart, or of unlike pitch, stay two planes', () => {
  const stepped = tee.map(([x, y], i): Vec2 => (i === 4 || i === 5 ? [x, y + 0.02] : [x, y]))
  expect(straightened(stepped, edges)).toBe(stepped)
  const unlike = edges.map((edge, i) => (i === 4 ? { pitchDeg: 40 } : edge))
  const drawn = rounded(turned(20), 1e-3)
  expect(straightened(drawn, unlike)[4]).toEqual(drawn[4])
})

test('no corner goes far, over seeded crooked outlines', () => {
  const random = seededRandom(5)
  for (let round = 0; round < 500; round++) {
    const crooked = turned(random() * 360).map(([x, y]): Vec2 => [
      x + (random() - 0.5) * 0.02,
      y + (random() - 0.5) * 0.02,
    ])
    straightened(crooked, edges).forEach(([x, y], i) => {
      expect(Math.hypot(x - (crooked[i]?.[0] ?? 0), y - (crooked[i]?.[1] ?? 0))).toBeLessThan(0.0101)
    })
  }
})
