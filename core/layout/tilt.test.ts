import { cross3, dot3, length3, sub3, unit3, type Vec2, type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { layOnPlane, laySides } from './lay'
import { layRows } from './lay-rows'
import { frameOf, toFrame, turnedFrame } from './plane-frame'
import { rowFaces, rowSolids } from './row-faces'
import { tiltedPlane } from './tilt'

const flat = {
  corners: [
    [0, 0, 3],
    [10, 0, 3],
    [10, 8, 3],
    [0, 8, 3],
  ] as Vec3[],
  normal: [0, 0, 1] as Vec3,
}
const module = { widthM: 1, lengthM: 2 }
const tilt = { tiltDeg: 30, rowGapM: 1.5, ridgeGapM: null }
const plain = {
  plane: flat,
  setbacksM: [0, 0, 0, 0],
  obstructions: [],
  module,
  gapM: 0.02,
  liftM: 0.1,
  tilt,
  orientation: 'portrait',
  pattern: 'aligned',
} as const

test('rows stand as deep as their tilt makes them, the gap apart, their full size up the slope', () => {
  const laid = layOnPlane(plain)
  // Depth 1.732, from one to the next 3.232: 1.732 + 2 x 3.232 = 8.196 is too much for 8 m.
  expect(new Set(laid.map(({ key }) => key.split(':')[0])).size).toBe(2)
  expect(laid).toHaveLength(2 * 9)
  for (const { corners } of laid) {
    expect(length3(sub3(corners[1], corners[0]))).toBeCloseTo(1, 9)
    expect(length3(sub3(corners[2], corners[1]))).toBeCloseTo(2, 9)
    expect(corners[0][2]).toBeCloseTo(3.1, 9)
    expect(corners[2][2]).toBeCloseTo(3.1 + 2 * 0.5, 9)
  }
  expect(layOnPlane({ ...plain, tilt: { ...tilt, rowGapM: 1.2 } }).length).toBe(3 * 9)
})

test('arrays that were laid by the first search stand up by the one that knows how', () => {
  expect(layOnPlane({ ...plain, pattern: 'plain' })).toEqual(layOnPlane(plain))
})

test.each([
  [0, 180],
  [90, 270],
  [-45, 135],
] as const)('rows turned by %d° face %d°, as the modules on them do', (turnDeg, azimuthDeg) => {
  const frame = turnedFrame(frameOf(flat), turnDeg)
  const face = tiltedPlane(frame, tilt)
  expect(face.pitchDeg).toBeCloseTo(30, 9)
  expect(face.azimuthDeg).toBeCloseTo(azimuthDeg, 9)
  for (const { corners } of layOnPlane({ ...plain, turnDeg })) {
    const normal = unit3(cross3(sub3(corners[1], corners[0]), sub3(corners[3], corners[0])))
    expect(dot3(normal, face.normal)).toBeCloseTo(1, 9)
  }
})

test('rows set out by hand keep the same distance, and lying modules are as deep as they are wide', () => {
  const { slots, unfit } = layRows({
    ...plain,
    orientation: 'landscape',
    at: [1, 1],
    counts: [2, 2],
    align: 'left',
  })
  expect(unfit).toEqual([])
  const frame = frameOf(flat)
  const vs = slots.map(({ corners }) => Math.min(...corners.map((c) => toFrame(frame, c)[1])))
  expect(vs.at(-1)).toBeCloseTo(1 + Math.cos(Math.PI / 6) + 1.5, 9)
})

test('what stops light are whole rows, parted where something is between, down to the roof', () => {
  const vent: Vec2[] = [
    [4.4, 0.4],
    [5.2, 0.4],
    [5.2, 1.2],
    [4.4, 1.2],
  ]
  const laid = layRows({
    ...plain,
    obstructions: [{ base: vent, clearanceM: 0 }],
    at: [0, 0],
    counts: [9, 9],
    align: 'left',
  }).slots
  const faces = rowFaces(laid)
  expect(faces).toHaveLength(3)
  const lengths = faces.map(([a, b]) => length3(sub3(b, a)))
  expect(lengths.map((length) => length.toFixed(2))).toEqual(['4.06', '3.04', '9.16'])
  const solids = rowSolids(faces, 0.1)
  expect(solids).toHaveLength(3)
})

test('pairs stand back to back, whole ones alone, each side turned away from the other', () => {
  const paired = { ...tilt, rowGapM: 0.3, ridgeGapM: 0.1 }
  const { slots, opposite } = laySides({ ...plain, tilt: paired })
  // A pair is 2 x 1.732 + 0.1 = 3.564 deep: two of them and a gap are 7.428.
  expect(slots).toHaveLength(2 * 9)
  expect(opposite).toHaveLength(2 * 9)
  expect(new Set([...slots, ...opposite].map(({ key }) => key)).size).toBe(36)
  const frame = frameOf(flat)
  for (const [side, own] of [slots, opposite].entries()) {
    const face = tiltedPlane(frame, paired, side === 0 ? 0 : 1)
    expect(face.azimuthDeg).toBeCloseTo(side === 0 ? 180 : 0, 9)
    for (const { corners } of own) {
      const normal = unit3(cross3(sub3(corners[1], corners[0]), sub3(corners[3], corners[0])))
      expect(dot3(normal, face.normal)).toBeCloseTo(1, 9)
      expect(corners[0][2]).toBeCloseTo(3.1, 9)
      expect(corners[2][2]).toBeCloseTo(4.1, 9)
    }
  }
  // Upper edges face each other over the ridge's gap.
  const [one, other] = [slots[0], opposite[0]]
  const v = (corner?: Vec3) => (corner ? toFrame(frame, corner)[1] : NaN)
  expect(v(other?.corners[2]) - v(one?.corners[2])).toBeCloseTo(0.1, 9)
})

test('over 200 seeded flat roofs no two modules of tilted rows or pairs lie over each other, and all stay inside', () => {
  const random = seededRandom(31)
  for (let n = 0; n < 200; n++) {
    const [w, h] = [5 + 8 * random(), 5 + 8 * random()]
    const corners = [
      [0, 0, 3],
      [w, 0, 3],
      [w, h, 3],
      [0, h, 3],
    ] as Vec3[]
    const request = {
      ...plain,
      plane: { ...flat, corners },
      setbacksM: [0.4, 0.4, 0.4, 0.4],
      turnDeg: random() < 0.5 ? 0 : 180 * random() - 90,
      orientation: random() < 0.5 ? ('portrait' as const) : ('landscape' as const),
      tilt: {
        tiltDeg: 5 + 30 * random(),
        rowGapM: random(),
        ridgeGapM: random() < 0.5 ? null : 0.3 * random(),
      },
    }
    const frame = turnedFrame(frameOf(request.plane), request.turnDeg)
    const boxes = layOnPlane(request).map(({ corners: own }) => {
      for (const [x, y] of own) {
        expect(Math.min(x, y, w - x, h - y)).toBeGreaterThan(0.4 - 1e-3)
      }
      const points = own.map((corner) => toFrame(frame, corner))
      const along = (axis: 0 | 1) => points.map((p) => p[axis])
      return ([0, 1] as const).map((axis) => [Math.min(...along(axis)), Math.max(...along(axis))] as const)
    })
    boxes.forEach((a, i) => {
      for (const b of boxes.slice(i + 1))
        expect([0, 1].some((axis) => overlap(a[axis], b[axis]) < 1e-6)).toBe(true)
    })
  }
}, 30_000)

type Span = readonly [number, number] | undefined
const overlap = (a: Span, b: Span) => Math.min(a?.[1] ?? 0, b?.[1] ?? 0) - Math.max(a?.[0] ?? 0, b?.[0] ?? 0)
