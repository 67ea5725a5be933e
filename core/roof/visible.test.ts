import { signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { planOf, type Roof } from './plane'
import { type RoofEdge } from './profile'
import { buildRoof } from './roof'
import { flattened, visibleParts } from './visible'

interface Box {
  readonly low: Vec2
  readonly high: Vec2
}
const cornersOf = ({ low, high }: Box): Vec2[] => [low, [high[0], low[1]], high, [low[0], high[1]]]

/** Area that boxes cover together, cell by cell between all their sides. */
function unionM2(boxes: readonly Box[]): number {
  const stops = (axis: 0 | 1) =>
    [...new Set(boxes.flatMap(({ low, high }) => [low[axis], high[axis]]))].sort((a, b) => a - b)
  const [xs, ys] = [stops(0), stops(1)]
  let sum = 0
  xs.slice(1).forEach((x, i) =>
    ys.slice(1).forEach((y, j) => {
      const [left = 0, below = 0] = [xs[i], ys[j]]
      const p: Vec2 = [(left + x) / 2, (below + y) / 2]
      const holds = ({ low, high }: Box) => p[0] > low[0] && p[0] < high[0] && p[1] > low[1] && p[1] < high[1]
      if (boxes.some(holds)) sum += (x - left) * (y - below)
    }),
  )
  return sum
}

const partsOf = (roofs: readonly Pick<Roof, 'planes'>[]) => {
  const faces = roofs.flatMap(({ planes }, volume) => planes.map((plane) => flattened(plane, volume)))
  return faces.flatMap((face) => visibleParts(face, faces))
}
const areaOf = (parts: readonly (readonly (readonly Vec2[])[])[]) =>
  parts.flat().reduce((sum, ring) => sum + signedArea(ring), 0)

test.each([
  ['sides in one line, planes in one plane', 0, 0.5],
  ['the same turned, written in millimetres', 0.3, 0.5],
  ['of any measure', 0, 0.001],
  ['of any measure, turned', 1.1, 0.001],
])('what is seen of several boxes covers each point once: %s', (_how, turn, gridM) => {
  const random = seededRandom(77 + Math.round(10 * turn))
  const onGrid = (low: number, high: number) => Math.round((low + (high - low) * random()) / gridM) * gridM
  let pieces = 0
  for (let round = 0; round < 400; round++) {
    const boxes = Array.from({ length: 2 + Math.floor(3 * random()) }, (): Box => {
      const low: Vec2 = [onGrid(0, 8), onGrid(0, 8)]
      return { low, high: [low[0] + onGrid(2, 8), low[1] + onGrid(2, 8)] }
    })
    const roofs = boxes.map((box) => {
      const outline = cornersOf(box).map(([x, y]): Vec2 => {
        const [c, s] = [Math.cos(turn), Math.sin(turn)]
        return turn === 0
          ? [x, y]
          : ([x * c - y * s, x * s + y * c].map((v) => Math.round(v * 1000) / 1000) as unknown as Vec2)
      })
      const pitchDeg = random() < 0.5 ? 30 : 20 + Math.floor(20 * random())
      const gabled = random() < 0.5
      const edges = outline.map((_, i): RoofEdge => (gabled && i % 2 === 1 ? { gable: true } : { pitchDeg }))
      return buildRoof({ outline, edges, eaveHeightM: 3 + Math.floor(3 * random()) })
    })
    const parts = partsOf(roofs)
    pieces += parts.length
    // Corners in millimetres leave out, or have twice, a strip of half of one along each side.
    const roundedM2 = turn === 0 ? 0.02 : 0.02 * boxes.length
    expect(Math.abs(areaOf(parts) - unionM2(boxes))).toBeLessThan(roundedM2)
    for (const [outer = [], ...holes] of parts) {
      expect(signedArea(outer)).toBeGreaterThan(0)
      for (const hole of holes) expect(signedArea(hole)).toBeLessThan(0)
    }
  }
  expect(pieces).toBeGreaterThan(2000)
})

test('a roof by itself, and one that stands apart, are seen whole', () => {
  const roofAt = (x: number) =>
    buildRoof({
      outline: cornersOf({ low: [x, 0], high: [x + 6, 4] }),
      edges: [30, 30, 30, 30].map((pitchDeg) => ({ pitchDeg })),
      eaveHeightM: 3,
    })
  for (const roofs of [[roofAt(0)], [roofAt(0), roofAt(20)]])
    expect(partsOf(roofs)).toEqual(
      roofs.flatMap(({ planes }) => planes.map((plane) => [planOf(plane.corners)])),
    )
})
