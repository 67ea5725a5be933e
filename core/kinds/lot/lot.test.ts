import fc from 'fast-check'
import { freshGraph, job, option, runOf, worldOf } from '@/town/testing'
import { dxfOf } from '../../exports/dxf'
import { siteStage } from '../../stages/site'
import { signedArea } from '../../geometry/polygon'
import { distance2, rotate2, type Vec2 } from '../../geometry/vector'
import { lotAroundOutlines } from './begun'
import { lotKind } from './kind'
import { lotSchema, type Lot } from './lot'
import { lookOf, lotSides, reachOver, withSideLength } from './sides'

const lot: Lot = {
  id: 'lot-1',
  kind: 'lot',
  name: 'Lot',
  outline: [
    [0, 0],
    [20, 0],
    [20, 30],
    [0, 30],
  ],
  source: 'survey',
}
const house: readonly Vec2[] = [
  [4, 5],
  [14, 5],
  [14, 13],
  [4, 13],
]

test('by hand: sides, what is clear to each, and the way each looks', () => {
  const sides = lotSides(lot.outline, [house])
  expect(sides.map(({ lengthM }) => lengthM)).toEqual([20, 30, 20, 30])
  expect(sides.map(({ clear }) => clear?.distanceM)).toEqual([5, 6, 17, 4])
  expect(sides.map(lookOf)).toEqual([180, 90, 0, 270])
  expect(lotSides(lot.outline, []).map(({ clear }) => clear)).toEqual([null, null, null, null])
})

test('told clockwise the sides still have the lot on their left, under their own numbers', () => {
  const sides = lotSides(lot.outline.toReversed(), [house])
  expect(sides.map(lookOf)).toEqual([0, 90, 180, 270])
  expect(sides.map(({ clear }) => clear?.distanceM)).toEqual([17, 6, 5, 4])
})

test('a corner of the lot that points at a wall is as far from it as from the wall itself', () => {
  const notched: readonly Vec2[] = [
    [0, 0],
    [20, 0],
    [20, 30],
    [9, 16],
    [0, 30],
  ]
  const [, , right, left] = lotSides(notched, [house])
  expect(right?.clear).toEqual({ distanceM: 3, from: [9, 13], to: [9, 16] })
  expect(left?.clear?.distanceM).toBe(3)
})

test('what is clear is what walking both borders in small steps finds', () => {
  const at = fc.double({ min: -15, max: 15, noNaN: true })
  const size = fc.double({ min: 1, max: 10, noNaN: true })
  const turn = fc.double({ min: -3, max: 3, noNaN: true })
  fc.assert(
    fc.property(at, at, size, size, turn, turn, (x, y, w, d, houseTurn, lotTurn) => {
      const box = (hw: number, hd: number): Vec2[] => [
        [-hw, -hd],
        [hw, -hd],
        [hw, hd],
        [-hw, hd],
      ]
      const ring = box(w, d).map((p): Vec2 => {
        const [px, py] = rotate2(p, houseTurn)
        return [px + x, py + y]
      })
      const outline = box(40, 45).map((p) => rotate2(p, lotTurn))
      const steps = (a: Vec2, b: Vec2) =>
        Array.from({ length: 201 }, (_, k): Vec2 => [
          a[0] + ((b[0] - a[0]) * k) / 200,
          a[1] + ((b[1] - a[1]) * k) / 200,
        ])
      const border = ring.flatMap((p, i) => steps(p, ring[(i + 1) % 4] ?? p))
      for (const { from, to, clear } of lotSides(outline, [ring])) {
        const slow = Math.min(...steps(from, to).map((p) => Math.min(...border.map((q) => distance2(p, q)))))
        // A step of the side is 0.45 m: nearly square to it that is little.
        expect(clear?.distanceM).toBeLessThanOrEqual(slow + 1e-9)
        expect(slow - (clear?.distanceM ?? 0)).toBeLessThan(0.3)
      }
    }),
    { seed: 3, numRuns: 40 },
  )
})

test('nothing is clear to a side that what stands there reaches over', () => {
  const moved = house.map(([x, y]): Vec2 => [x + 7.5, y])
  const sides = lotSides(lot.outline, [moved])
  expect(sides.map(({ clear }) => clear?.distanceM)).toEqual([5, 0, 17, 11.5])
})

test('of two lots each has the distances of what stands on it', () => {
  const garden = house.map(([x, y]): Vec2 => [x + 100, y])
  expect(lotSides(lot.outline, [garden]).map(({ clear }) => clear)).toEqual([null, null, null, null])
  expect(lotSides(lot.outline, [house, garden])).toEqual(lotSides(lot.outline, [house]))
  expect(reachOver(lot.outline, [house, garden])).toBe(0)
})

test('a side typed longer than the world is refused, not cut', () => {
  const outline = withSideLength(lot.outline, 0, 5000)
  expect(outline[1]).toEqual([5000, 0])
  expect(lotSchema.safeParse({ ...lot, outline }).success).toBe(false)
})

test('what reaches over a line is measured by its farthest corner', () => {
  expect(reachOver(lot.outline, [house])).toBe(0)
  expect(reachOver(lot.outline, [house.map(([x, y]): Vec2 => [x + 7.5, y])])).toBeCloseTo(1.5, 12)
  // On the line is not over it.
  expect(reachOver(lot.outline, [house.map(([x, y]): Vec2 => [x + 6, y])])).toBe(0)
})

test('a side as long as typed: a rectangle stays one, a triangle keeps its first corner', () => {
  expect(withSideLength(lot.outline, 0, 25)).toEqual([
    [0, 0],
    [25, 0],
    [25, 30],
    [0, 30],
  ])
  expect(withSideLength(lot.outline, 3, 25)).toEqual([
    [0, 5],
    [20, 5],
    [20, 30],
    [0, 30],
  ])
  const triangle: readonly Vec2[] = [
    [0, 0],
    [10, 0],
    [0, 10],
  ]
  expect(withSideLength(triangle, 0, 4)).toEqual([
    [0, 0],
    [4, 0],
    [0, 10],
  ])
  for (let side = 0; side < 4; side++) {
    const typed = withSideLength(lot.outline, side, 12.5)
    expect(lotSides(typed, [])[side]?.lengthM).toBeCloseTo(12.5, 9)
  }
})

test('one begun by hand lies along the house, all of it 6 m within; with no house it is a square', () => {
  fc.assert(
    fc.property(fc.double({ min: -3, max: 3, noNaN: true }), (turn) => {
      const turned = house.map((p) => rotate2(p, turn))
      const outline = lotAroundOutlines([turned])
      expect(signedArea(outline)).toBeGreaterThan(0)
      for (const { clear } of lotSides(outline, [turned])) expect(clear?.distanceM).toBeCloseTo(6, 2)
    }),
    { seed: 8, numRuns: 300 },
  )
  expect(signedArea(lotAroundOutlines([]))).toBeCloseTo(24 * 24, 6)
})

test('lines that a hand has moved are by hand; they shade nothing and keep no module off', () => {
  const { standing } = lotKind
  if (!standing?.move) throw new Error('it stands')
  const geometry = standing.build(standing.shape(lot), null)
  expect([geometry.solids, geometry.keepOuts, geometry.faces, geometry.frame]).toEqual([[], [], [], []])
  expect(geometry.strokes.map(({ is }) => is)).toEqual(['lot', 'lot', 'lot', 'lot'])
  const [corner] = standing.handles(lot, geometry)
  if (!corner) throw new Error('it has corners')
  expect(standing.drag(lot, corner, { heightM: 0, at: [-1, -2] })).toEqual({
    outline: [[-1, -2], ...lot.outline.slice(1)],
    source: 'hand',
  })
  expect(standing.drag(lot, corner, { heightM: 0, at: null })).toEqual({})
  expect(standing.move.to(lot, [11, 15])).toMatchObject({ source: 'hand' })
  const turned = standing.move.mirrored?.(lot, 'east-west').fields.outline ?? []
  expect(signedArea(turned)).toBeCloseTo(600, 9)
  expect(standing.corners?.remove({ ...lot, outline: lot.outline.slice(0, 3) }, 0)).toBeNull()
})

test('it goes into the drawing of the job on a layer of its own', async () => {
  const world = await worldOf({ ...job.house, [lot.id]: lot }, option)
  const site = runOf(world, freshGraph()).value(siteStage)
  const place = { latitudeDeg: 0, longitudeDeg: 0, elevationM: 0 }
  const lines = dxfOf({ site, place, nameOf: (id) => id }, 'metric', 'en-IE').split('\r\n')
  expect(lines.filter((line, k) => line === 'LOT-LINES' && lines[k - 2] === 'LINE')).toHaveLength(4)
})

test('an outline that crosses itself is told, two corners are none', () => {
  const [a, b, c, d] = lot.outline
  const crossed = { ...lot, outline: [a, c, b, d] } as Lot
  const { standing } = lotKind
  expect(standing?.build(standing.shape(crossed), null).fault?.code).toBe('crossing-outline')
  expect(() => standing?.check(crossed)).toThrow()
  expect(lotSchema.safeParse(crossed).success).toBe(true)
  expect(lotSchema.safeParse({ ...lot, outline: lot.outline.slice(0, 2) }).success).toBe(false)
  expect(lotSchema.safeParse({ ...lot, source: 'memory' }).success).toBe(false)
})
