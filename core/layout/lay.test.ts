import fc from 'fast-check'
import { containsPoint, nearestOnSegment } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { buildRoof } from '../roof/roof'
import { layOnPlane } from './lay'

const level = (polygon: Vec2[]) => ({
  corners: polygon.map((p): Vec3 => [p[0], p[1], 0]),
  normal: [0, 0, 1] as Vec3,
})
const rectangle = (w: number, h: number): Vec2[] => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
]
const module = { widthM: 1, lengthM: 2 }
const plain = { obstructions: [], module, gapM: 0, liftM: 0.1, pattern: 'aligned' } as const

test('exactly as many as fit: 10 x 4 m with 0.5 m all around holds nine columns of one row', () => {
  const request = {
    ...plain,
    plane: level(rectangle(10, 4)),
    setbacksM: [0.5, 0.5, 0.5, 0.5],
    orientation: 'portrait',
  } as const
  expect(layOnPlane(request)).toHaveLength(9)
  expect(layOnPlane({ ...request, orientation: 'landscape' })).toHaveLength(4 * 3)
  expect(layOnPlane({ ...request, orientation: 'best' })).toHaveLength(12)
  expect(layOnPlane({ ...request, gapM: 0.01 })).toHaveLength(8)
})

test('an obstruction with its clearance takes exactly its columns', () => {
  const base: Vec2[] = [
    [4.5, 1.5],
    [5.5, 1.5],
    [5.5, 2.5],
    [4.5, 2.5],
  ]
  const request = {
    ...plain,
    plane: level(rectangle(10, 4)),
    setbacksM: [0, 0, 0, 0],
    orientation: 'portrait',
  } as const
  expect(layOnPlane(request)).toHaveLength(20)
  const around = layOnPlane({ ...request, obstructions: [{ base, clearanceM: 0.5 }] })
  // Free to the left 0..4, to the right 6..10; both rows touch the obstruction's strip v 1..3.
  expect(around).toHaveLength(16)
})

test('on a hipped plane nothing comes nearer to any edge than its setback', () => {
  const roof = buildRoof({
    outline: [
      [0, 0],
      [12, 0],
      [12, 8],
      [0, 8],
    ],
    edges: [35, 35, 35, 35].map((pitchDeg) => ({ pitchDeg })),
    eaveHeightM: 3,
  })
  const setbacks = { eave: 0.3, ridge: 0.45, hip: 0.5, valley: 0.5, rake: 0.3, wall: 0.3 }
  for (const plane of roof.planes) {
    const slots = layOnPlane({
      ...plain,
      plane,
      setbacksM: plane.edges.map(({ kind }) => setbacks[kind]),
      module: { widthM: 1.1, lengthM: 1.7 },
      gapM: 0.02,
      orientation: 'portrait',
    })
    expect(slots.length).toBeGreaterThan(2)
    for (const slot of slots)
      for (const corner of slot.corners) {
        // 0.1 m over the plane along its normal.
        const foot = corner.map((x, k) => x - 0.1 * (plane.normal[k] ?? 0))
        plane.corners.forEach((a, i) => {
          const b = plane.corners[(i + 1) % plane.corners.length] ?? a
          const ab = b.map((x, k) => x - (a[k] ?? 0))
          const t = Math.max(
            0,
            Math.min(
              1,
              ab.reduce((s, x, k) => s + x * ((foot[k] ?? 0) - (a[k] ?? 0)), 0) /
                ab.reduce((s, x) => s + x * x, 0),
            ),
          )
          const gap = Math.hypot(...ab.map((x, k) => (a[k] ?? 0) + t * x - (foot[k] ?? 0)))
          expect(gap).toBeGreaterThan(setbacks[plane.edges[i]?.kind ?? 'eave'] - 1e-5)
        })
      }
  }
})

test('random polygons: every module inside, apart from the others and from the obstruction', () => {
  const radius = fc.array(fc.double({ min: 2, max: 9, noNaN: true }), { minLength: 5, maxLength: 9 })
  fc.assert(
    fc.property(radius, fc.double({ min: 0, max: 1, noNaN: true }), (radii, setback) => {
      const polygon = radii.map((r, i): Vec2 => [
        r * Math.cos((2 * Math.PI * i) / radii.length),
        r * Math.sin((2 * Math.PI * i) / radii.length),
      ])
      const base: Vec2[] = [
        [-0.3, -0.3],
        [0.3, -0.3],
        [0.3, 0.3],
        [-0.3, 0.3],
      ]
      const slots = layOnPlane({
        ...plain,
        plane: level(polygon),
        setbacksM: polygon.map(() => setback),
        obstructions: [{ base, clearanceM: 0.2 }],
        orientation: 'best',
      })
      const boxes = slots.map((s) => s.corners.map((c) => [c[0], c[1]] as Vec2))
      for (const box of boxes)
        for (const corner of box) {
          expect(containsPoint(polygon, corner) || setback < 1e-6).toBe(true)
          polygon.forEach((a, i) =>
            expect(
              nearestOnSegment(a, polygon[(i + 1) % polygon.length] ?? a, corner).distanceM,
            ).toBeGreaterThan(setback - 1e-5),
          )
        }
      const middles = boxes.map(
        (box) =>
          [
            (box[0]?.[0] ?? 0) / 2 + (box[2]?.[0] ?? 0) / 2,
            (box[0]?.[1] ?? 0) / 2 + (box[2]?.[1] ?? 0) / 2,
          ] as Vec2,
      )
      middles.forEach((m, i) =>
        middles
          .slice(i + 1)
          .forEach((o) => expect(Math.hypot(m[0] - o[0], m[1] - o[1])).toBeGreaterThan(1 - 1e-6)),
      )
    }),
    { seed: 42, numRuns: 100 },
  )
})
