import { seededRandom } from '../model/random'
import { containsPoint, nearestOnSegment } from '../geometry/polygon'
import { distance2, length3, sub3, type Vec2, type Vec3 } from '../geometry/vector'
import { fieldOf, layOnPlane } from './lay'
import { fits, layRows, ringsOfRows, rowsSize } from './lay-rows'
import { frameOf, toFrame } from './plane-frame'

const level = (polygon: Vec2[]) => ({
  corners: polygon.map((p): Vec3 => [p[0], p[1], 0]),
  normal: [0, 0, 1] as Vec3,
})
const rectangle = (left: number, bottom: number, right: number, top: number): Vec2[] => [
  [left, bottom],
  [right, bottom],
  [right, top],
  [left, top],
]
const plane = level(rectangle(0, 0, 12, 7.1))
const plain = {
  plane,
  setbacksM: [0.5, 0.5, 0.5, 0.5],
  obstructions: [],
  module: { widthM: 1, lengthM: 2 },
  gapM: 0.02,
  liftM: 0.1,
  orientation: 'portrait',
  align: 'left',
} as const

test('nine, nine and seven: as many as are told, row by row, with their overall measures', () => {
  const request = { ...plain, at: [0.5, 0.5] as Vec2, counts: [9, 9, 7] }
  const { slots, unfit } = layRows(request)
  expect(unfit).toEqual([])
  expect(slots).toHaveLength(25)
  expect(slots.at(-1)?.key).toBe('2:6')
  const last = slots.at(-1)?.corners[2]
  expect(last?.[0]).toBeCloseTo(0.5 + 7 * 1 + 6 * 0.02, 9)
  expect(last?.[1]).toBeCloseTo(0.5 + 3 * 2 + 2 * 0.02, 9)
  const { overallU, overallV } = rowsSize(request)
  expect([overallU, overallV]).toEqual([expect.closeTo(9.16, 9), expect.closeTo(6.04, 9)])
})

test.each([
  ['left', 0],
  ['center', 1.02],
  ['right', 2.04],
] as const)('a shorter row to the %s of the longest', (align, from) => {
  const { slots } = layRows({ ...plain, align, at: [1, 1], counts: [6, 4] })
  expect(slots.find(({ key }) => key === '1:0')?.corners[0][0]).toBeCloseTo(1 + from, 9)
})

test('what reaches into a setback, over an obstruction or off the plane is told apart, not dropped', () => {
  const vent = { base: rectangle(5.2, 1.2, 5.4, 1.4), clearanceM: 0.2 }
  const { slots, unfit } = layRows({ ...plain, obstructions: [vent], at: [0.5, 0.5], counts: [12] })
  // Column 4 spans 4.58..5.58 and holds the vent; column 10 ends at 11.7, in the setback, and column 11 behind the edge.
  expect(unfit.map(({ key }) => key)).toEqual(['0:4', '0:10', '0:11'])
  expect(slots).toHaveLength(9)
  // Against the setback to the millimetre, and no farther.
  const at = (u: number) => layRows({ ...plain, at: [u, 0.5], counts: [1] }).unfit.length
  expect([at(0.5), at(0.4995), at(0.498)]).toEqual([0, 0, 1])
})

test('a drawn outline holds in what is filled, and rows that others took are gone round', () => {
  const request = { ...plain, gapM: 0, setbacksM: [0, 0, 0, 0], pattern: 'aligned' } as const
  expect(layOnPlane({ ...request, within: rectangle(1, 1, 5.5, 5.5) })).toHaveLength(4 * 2)
  // Reaching out over the plane, the plane's own edge counts.
  expect(layOnPlane({ ...request, within: rectangle(-3, 1, 5.5, 5.5) })).toHaveLength(5 * 2)
  const taken = [{ ring: rectangle(4, 0, 8, 7), clearanceM: 0.1 }]
  expect(layOnPlane({ ...request, taken })).toHaveLength(2 * 3 * 3)
})

test('an outline of a slanted plane lies on it, and rows turned keep their sizes', () => {
  const slope = { normal: [0, -0.6, 0.8] as Vec3, corners: [] as Vec3[] }
  slope.corners = rectangle(0, 0, 12, 7).map(([u, v]): Vec3 => [u, v * 0.8, v * 0.6])
  const frame = frameOf(slope)
  const laid = layOnPlane({
    ...plain,
    plane: slope,
    pattern: 'aligned',
    within: rectangle(2, 1, 6.1, 3.1),
  })
  expect(laid).toHaveLength(4)
  for (const { corners } of laid)
    for (const corner of corners) {
      const [u, v] = toFrame(frame, corner)
      expect(u).toBeGreaterThan(2 - 1e-6)
      expect(v).toBeLessThan(3.1 + 1e-6)
    }
  const turned = layRows({ ...plain, plane: slope, turnDeg: 20, at: [3, 2], counts: [3, 3] })
  expect(turned.unfit).toEqual([])
  for (const { corners } of turned.slots) {
    expect(length3(sub3(corners[1], corners[0]))).toBeCloseTo(1, 9)
    expect(length3(sub3(corners[2], corners[1]))).toBeCloseTo(2, 9)
  }
  // Clockwise as seen from above: the far end of a row is lower down the slope.
  const [first, , third] = turned.slots.map(({ corners }) => toFrame(frame, corners[0]))
  expect((third?.[1] ?? 0) - (first?.[1] ?? 0)).toBeCloseTo(-2.04 * Math.sin((20 * Math.PI) / 180), 9)
})

const turnedBy = ([x, y]: Vec2, deg: number): Vec2 => {
  const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
  return [x * cos + y * sin, y * cos - x * sin]
}

test('over 400 seeded planes, turns, outlines and obstructions, a fine grid of points finds no module that reaches over', () => {
  const random = seededRandom(21)
  let laid = 0
  for (let n = 0; n < 400; n++) {
    const size: Vec2 = [4 + 8 * random(), 3 + 5 * random()]
    const cut = 1 + 2 * random()
    const polygon: Vec2[] = [
      [0, 0],
      [size[0], 0],
      [size[0], size[1] - cut],
      [size[0] - cut, size[1]],
      [0, size[1]],
    ]
    const setback = random() < 0.3 ? 0 : random()
    const hole = rectangle(1 + random(), 1 + random(), 2.2, 2.4)
    const obstructions = [{ base: hole, clearanceM: 0.4 * random() }]
    const within: Vec2[] = [
      [random(), -1],
      [size[0] - random(), random()],
      [size[0] * random(), size[1] + 1],
    ]
    const turnDeg = random() < 0.3 ? 0 : 180 * (random() - 0.5)
    const request = {
      ...plain,
      plane: level(polygon),
      setbacksM: polygon.map(() => setback),
      obstructions,
      turnDeg,
      module: { widthM: 0.6 + random() * 0.5, lengthM: 1.2 + random() },
    }
    const filled = layOnPlane({ ...request, within, pattern: 'fullest' })
    const at: Vec2 = [random() * 3, 1 + random() * 3]
    const rows = layRows({ ...request, at, counts: [3, 2, 4] })
    laid += filled.length + rows.slots.length
    const clear = (p: Vec2, inside: boolean) =>
      containsPoint(polygon, p) &&
      (!inside || containsPoint(within, p)) &&
      !containsPoint(hole, p) &&
      polygon.every(
        (a, i) => nearestOnSegment(a, polygon[(i + 1) % 5] ?? a, p).distanceM >= setback - 1e-3,
      ) &&
      hole.every(
        (a, i) =>
          nearestOnSegment(a, hole[(i + 1) % 4] ?? a, p).distanceM >=
          (obstructions[0]?.clearanceM ?? 0) - 1e-3,
      )
    const points = ({ corners }: (typeof filled)[number]): Vec2[] => {
      const middle: Vec2 = [(corners[0][0] + corners[2][0]) / 2, (corners[0][1] + corners[2][1]) / 2]
      return Array.from({ length: 81 }, (_, k): Vec2 => {
        const [s, t] = [(k % 9) / 8, Math.floor(k / 9) / 8]
        const on = (axis: 0 | 1) =>
          corners[0][axis] * (1 - s) * (1 - t) +
          corners[1][axis] * s * (1 - t) +
          corners[2][axis] * s * t +
          corners[3][axis] * (1 - s) * t
        // A millimetre inside: what touches is not over.
        return [on(0) + (middle[0] - on(0)) * 2e-3, on(1) + (middle[1] - on(1)) * 2e-3]
      })
    }
    for (const slot of filled) expect(points(slot).every((p) => clear(p, true))).toBe(true)
    for (const slot of rows.slots) expect(points(slot).every((p) => clear(p, false))).toBe(true)
    // What does not fit reaches over somewhere, if only a finer grid would see where: its own measure says it.
    for (const slot of rows.unfit) {
      const nearest = Math.min(
        ...points(slot).flatMap((p) =>
          polygon.map((a, i) => nearestOnSegment(a, polygon[(i + 1) % 5] ?? a, p).distanceM - setback),
        ),
        ...points(slot).flatMap((p) =>
          hole.map(
            (a, i) =>
              nearestOnSegment(a, hole[(i + 1) % 4] ?? a, p).distanceM - (obstructions[0]?.clearanceM ?? 0),
          ),
        ),
      )
      const outside = points(slot).some((p) => !containsPoint(polygon, p) || containsPoint(hole, p))
      expect(outside || nearest < 0.3).toBe(true)
    }
  }
  expect(laid).toBeGreaterThan(1000)
}, 60_000)

test('what a search has filled fits by the measure of single modules too', () => {
  const request = {
    ...plain,
    obstructions: [{ base: rectangle(5, 3, 5.6, 3.5), clearanceM: 0.3 }],
    pattern: 'fullest',
  } as const
  const frame = frameOf(plane)
  const field = fieldOf(request, frame)
  const laid = layOnPlane(request)
  expect(laid.length).toBeGreaterThan(15)
  for (const { corners, orientation } of laid) {
    const us = corners.map((c) => toFrame(frame, c)[0])
    const vs = corners.map((c) => toFrame(frame, c)[1])
    const [u, v] = [Math.min(...us), Math.min(...vs)]
    const cell = {
      u,
      v,
      widthM: Math.max(...us) - u,
      heightM: Math.max(...vs) - v,
      orientation,
      row: 0,
      column: 0,
    }
    expect(fits(field, cell)).toBe(true)
    expect(fits(field, { ...cell, u: u - 20 })).toBe(false)
  }
})

test('the room that rows take is theirs as they lie, turned or not', () => {
  const request = { ...plain, at: [2, 1] as Vec2, counts: [4, 2], align: 'right', turnDeg: 30 } as const
  const rings = ringsOfRows(request)
  expect(rings).toHaveLength(2)
  const length = distance2(rings[1]?.[0] ?? [0, 0], rings[1]?.[1] ?? [0, 0])
  expect(length).toBeCloseTo(2.02, 9)
  const corner = turnedBy([2 * 1.02, 2.02], 30)
  expect(rings[1]?.[0]).toEqual([expect.closeTo(2 + corner[0], 9), expect.closeTo(1 + corner[1], 9)])
})
