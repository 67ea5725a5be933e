import { add2, rotate2, type Vec2 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { offsetOf } from './offset'

const box = (width: number, depth: number): Vec2[] => [
  [0, 0],
  [width, 0],
  [width, depth],
  [0, depth],
]
const ell: Vec2[] = [
  [0, 0],
  [12, 0],
  [12, 6],
  [5, 6],
  [5, 11],
  [0, 11],
]
const moved = (outline: readonly Vec2[], by: Vec2) => outline.map((p) => add2(p, by))
/** Every side of a counter-clockwise outline with square corners moved out. */
const widerBy = (outline: readonly Vec2[], outM: number) =>
  outline.map((p, i): Vec2 => {
    const before = outline[(i + outline.length - 1) % outline.length] ?? p
    const after = outline[(i + 1) % outline.length] ?? p
    const out = (a: Vec2, b: Vec2): Vec2 => {
      const length = Math.hypot(b[0] - a[0], b[1] - a[1])
      return [((b[1] - a[1]) / length) * outM, ((a[0] - b[0]) / length) * outM]
    }
    return add2(add2(p, out(before, p)), out(p, after))
  })

test('outlines that stand out all around and are ragged are brought back to where they belong, over seeded streets', () => {
  const random = seededRandom(17)
  const between = (low: number, high: number) => low + (high - low) * random()
  for (let round = 0; round < 200; round++) {
    const by: Vec2 = [between(-4, 4), between(-4, 4)]
    const turn = between(0, 1.5)
    const known = Array.from({ length: 1 + Math.floor(random() * 4) }, (_, i) => {
      const shape = random() < 0.5 ? ell : box(between(7, 14), between(6, 9))
      return shape.map((p) => add2(rotate2(p, turn), [i * 25, between(0, 0.001)]))
    })
    const found = known.map((outline) =>
      moved(widerBy(outline, 0.35), [-by[0], -by[1]]).map((p) =>
        add2(p, [between(-0.12, 0.12), between(-0.12, 0.12)]),
      ),
    )
    const offset = offsetOf(found, known)
    expect(offset?.buildings).toBe(known.length)
    expect(Math.hypot((offset?.byM[0] ?? NaN) - by[0], (offset?.byM[1] ?? NaN) - by[1])).toBeLessThan(0.15)
  }
})

test('one outline that lies wrong among three does not move the others', () => {
  const known = [0, 1, 2].map((i) => moved(ell, [i * 25, 0]))
  const found = known.map((outline, i) => moved(outline, i === 1 ? [1.3, -0.9] : [0.02, 0.01]))
  const offset = offsetOf(found, known)
  expect(offset?.byM[0]).toBeCloseTo(-0.02, 2)
  expect(offset?.byM[1]).toBeCloseTo(-0.01, 2)
})

test('buildings that nobody knows, or far off, or of another size tell nothing', () => {
  expect(offsetOf([ell], [])).toBeNull()
  expect(offsetOf([], [ell])).toBeNull()
  expect(offsetOf([ell], [moved(ell, [30, 0])])).toBeNull()
  expect(offsetOf([ell], [box(4, 4)])).toBeNull()
})
