import { refusal } from '@/words/refusal'
import fc from 'fast-check'
import { signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { type RoofEdge } from '../kinds/volume/volume'
import { buildRoof } from './roof'

const pitched = (...degrees: number[]): RoofEdge[] => degrees.map((pitchDeg) => ({ pitchDeg }))
const gable: RoofEdge = { gable: true }
const rectangle: Vec2[] = [
  [0, 0],
  [10, 0],
  [10, 6],
  [0, 6],
]
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
const planAreaOf = (corners: readonly (readonly [number, number, number])[]) =>
  signedArea(corners.map((c): Vec2 => [c[0], c[1]]))

test('a hip roof over 10 x 6 at 45 degrees: ridge 4 m long, 3 m above the eave', () => {
  const roof = buildRoof({ outline: rectangle, edges: pitched(45, 45, 45, 45), eaveHeightM: 3 })
  expect(roof.planes).toHaveLength(4)
  expect(roof.ridgeHeightM).toBeCloseTo(6, 9)
  const south = roof.planes.find((p) => p.id === 'e0')
  expect(south?.azimuthDeg).toBeCloseTo(180, 9)
  expect(south?.edges.map((e) => e.kind)).toEqual(['eave', 'hip', 'ridge', 'hip'])
  expect(south?.edges[2]?.lengthM).toBeCloseTo(4, 9)
  // Trapezium of 10 and 4 by a slope length of 3 sqrt 2.
  expect(south?.areaM2).toBeCloseTo(7 * 3 * Math.SQRT2, 9)
  const east = roof.planes.find((p) => p.id === 'e1')
  expect(east?.azimuthDeg).toBeCloseTo(90, 9)
  expect(east?.edges.map((e) => e.kind)).toEqual(['eave', 'hip', 'hip'])
})

test('a gable roof: two rectangles and two gable triangles', () => {
  const roof = buildRoof({
    outline: rectangle,
    edges: [{ pitchDeg: 30 }, gable, { pitchDeg: 30 }, gable],
    eaveHeightM: 3,
  })
  expect(roof.planes).toHaveLength(2)
  expect(roof.planes[0]?.edges.map((e) => e.kind)).toEqual(['eave', 'rake', 'ridge', 'rake'])
  expect(roof.planes[0]?.areaM2).toBeCloseTo((10 * 3) / Math.cos(Math.PI / 6), 9)
  expect(roof.gables).toHaveLength(2)
  expect(roof.ridgeHeightM).toBeCloseTo(3 + 3 * Math.tan(Math.PI / 6), 9)
})

test('a shed roof rises from one edge to the opposite one', () => {
  const roof = buildRoof({
    outline: rectangle,
    edges: [{ pitchDeg: 10 }, gable, gable, gable],
    eaveHeightM: 2.5,
  })
  expect(roof.planes).toHaveLength(1)
  expect(roof.ridgeHeightM).toBeCloseTo(2.5 + 6 * Math.tan((10 * Math.PI) / 180), 9)
  expect(roof.planes[0]?.edges.map((e) => e.kind)).toEqual(['eave', 'rake', 'ridge', 'rake'])
})

test('unlike pitches move the ridge: 30 against 60 degrees over 6 m', () => {
  const roof = buildRoof({
    outline: rectangle,
    edges: [{ pitchDeg: 30 }, gable, { pitchDeg: 60 }, gable],
    eaveHeightM: 0.5,
  })
  // tan 30 x = tan 60 (6 - x) gives x = 4.5.
  expect(roof.ridgeHeightM).toBeCloseTo(0.5 + 4.5 * Math.tan(Math.PI / 6), 9)
})

test('a cross wing with gables: valleys, and the front of the main bar stays one plane', () => {
  const edges = pitched(35, 35, 35, 35, 35, 35, 35, 35)
  edges[2] = gable
  edges[5] = gable
  edges[7] = gable
  const roof = buildRoof({ outline: tee, edges, eaveHeightM: 3 })
  expect(roof.planes.map((p) => p.id).sort()).toEqual(['e0', 'e1', 'e3', 'e6'])
  const front = roof.planes.find((p) => p.id === 'e0')
  expect(front?.edges.filter((e) => e.kind === 'valley')).toHaveLength(2)
  expect(front?.edges.filter((e) => e.kind === 'eave')).toHaveLength(2)
  expect(front?.edges.filter((e) => e.kind === 'ridge')).toHaveLength(1)
  expect(planAreaOf(front?.corners ?? [])).toBeCloseTo(12 * 3 - 4, 6)
})

test('an outline that crosses itself is refused with the sides that meet', () => {
  const bow: Vec2[] = [
    [0, 0],
    [10, 6],
    [10, 0],
    [0, 6],
  ]
  expect(refusal(() => buildRoof({ outline: bow, edges: pitched(30, 30, 30, 30), eaveHeightM: 3 }))).toMatch(
    /crosses itself: side 1 meets side 3/,
  )
  expect(
    refusal(() => buildRoof({ outline: rectangle, edges: [gable, gable, gable, gable], eaveHeightM: 3 })),
  ).toMatch(/at least one rise/)
})

test('planes of random rectilinear outlines cover the outline and all rise from their eave', () => {
  const steps = fc.array(fc.tuple(fc.integer({ min: 20, max: 60 }), fc.integer({ min: 5, max: 40 })), {
    minLength: 2,
    maxLength: 6,
  })
  fc.assert(
    fc.property(steps, fc.integer({ min: 15, max: 60 }), (stairs, pitch) => {
      // A skyline: steps of random width and depth hanging from a straight back wall; neighbours differ by 10 cm at least.
      const corners: Vec2[] = []
      let x = 0
      stairs.forEach(([width, depth], i) => {
        const y = -(depth / 5) - i * 0.1
        corners.push([x, y], [x + width / 10, y])
        x += width / 10
      })
      const outline: Vec2[] = [...corners, [x, 4], [0, 4]]
      const roof = buildRoof({ outline, edges: outline.map(() => ({ pitchDeg: pitch })), eaveHeightM: 3 })
      const covered = roof.planes.reduce((sum, p) => sum + planAreaOf(p.corners), 0)
      expect(covered).toBeCloseTo(signedArea(outline), 4)
      for (const plane of roof.planes) expect(Math.min(...plane.corners.map((c) => c[2]))).toBeCloseTo(3, 6)
    }),
    { seed: 20240611, numRuns: 300 },
  )
})

test('random gables at the ends of bars never break the cover', () => {
  fc.assert(
    fc.property(
      fc.boolean(),
      fc.boolean(),
      fc.boolean(),
      fc.integer({ min: 10, max: 70 }),
      fc.integer({ min: -19, max: 19 }),
      (a, b, c, pitch, shift) => {
        const outline = tee.map(([x, y]): Vec2 => [x === 4 || x === 8 ? x + shift / 10 : x, y])
        const edges: RoofEdge[] = outline.map(() => ({ pitchDeg: pitch }))
        if (a) edges[2] = gable
        if (b) edges[5] = gable
        if (c) edges[7] = gable
        const roof = buildRoof({ outline, edges, eaveHeightM: 3 })
        expect(roof.planes.reduce((sum, p) => sum + planAreaOf(p.corners), 0)).toBeCloseTo(
          signedArea(outline),
          4,
        )
      },
    ),
    { seed: 7, numRuns: 100 },
  )
})
