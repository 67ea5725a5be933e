import { distance2, rotate2, type Vec2 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { sidesAlong } from './sides'

const cellM = 0.25

/** Points along a ring, a cell apart, each off by up to a quarter of a cell. */
function borderAlong(ring: readonly Vec2[], seed = 1, by = 0): Vec2[] {
  const random = seededRandom(seed)
  const off = () => (random() - 0.5) * cellM
  return ring.flatMap((a, i) => {
    const b = ring[(i + 1) % ring.length] ?? a
    const steps = Math.round(distance2(a, b) / cellM)
    return Array.from({ length: steps }, (_, k): Vec2 => {
      const t = (k + 0.5) / steps
      return rotate2([a[0] + t * (b[0] - a[0]) + off(), a[1] + t * (b[1] - a[1]) + off()], by)
    })
  })
}

/** The cosine between two neighbouring sides at each corner. */
const cosines = (ring: readonly Vec2[]) =>
  ring.map((b, i) => {
    const [a, c] = [ring[(i + ring.length - 1) % ring.length] ?? b, ring[(i + 1) % ring.length] ?? b]
    const dot = (b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1])
    return dot / distance2(a, b) / distance2(b, c)
  })

const nearest = (ring: readonly Vec2[], p: Vec2) => Math.min(...ring.map((q) => distance2(p, q)))

const wing: Vec2[] = [
  [0, 0],
  [12, 0],
  [12, 8],
  [7, 8],
  [7, 12],
  [0, 12],
]

test.each([0, 0.35, 1.1])('walls come out square to each other, turned by %d rad', (by) => {
  const found = sidesAlong(borderAlong(wing, 5, by), cellM)
  expect(found).toHaveLength(6)
  for (const cosine of cosines(found)) expect(Math.abs(cosine)).toBeLessThan(1e-9)
  for (const p of wing) expect(nearest(found, rotate2(p, by))).toBeLessThan(0.3)
})

test('a slanted side stays slanted', () => {
  const cut: Vec2[] = [
    [0, 0],
    [10, 0],
    [10, 4],
    [6, 10],
    [0, 10],
  ]
  const found = sidesAlong(borderAlong(cut), cellM)
  expect(found).toHaveLength(5)
  for (const p of cut) expect(nearest(found, p)).toBeLessThan(0.4)
})

test('a step that is no side of its own parts two that run on beside each other', () => {
  const stepped: Vec2[] = [
    [0, 0],
    [6, 0],
    [6, 0.6],
    [14, 0.6],
    [14, 8],
    [0, 8],
  ]
  const found = sidesAlong(borderAlong(stepped, 3), cellM)
  expect(found).toHaveLength(6)
  for (const cosine of cosines(found)) expect(Math.abs(cosine)).toBeLessThan(1e-9)
  for (const p of stepped) expect(nearest(found, p)).toBeLessThan(0.7)
})

test('a post on a side is none of its own, wherever the border begins', () => {
  // Farther off than any corner, so that the border is cut there first.
  const posted: Vec2[] = [
    [0, 0],
    [20, 0],
    [20, 4],
    [0, 4],
    [0, 2.25],
    [-0.5, 2.25],
    [-0.5, 1.75],
    [0, 1.75],
  ]
  const border = borderAlong(posted, 2)
  for (const from of [0, 40, 90, 170, 183, 185, 187, 189]) {
    const found = sidesAlong([...border.slice(from), ...border.slice(0, from)], cellM)
    expect(found).toHaveLength(4)
    for (const p of posted.slice(0, 4)) expect(nearest(found, p)).toBeLessThan(0.3)
  }
})
