import { insetOf } from './inset'
import { type Vec2 } from '../geometry/vector'

const rectangle: Vec2[] = [
  [0, 0],
  [10, 0],
  [10, 8],
  [0, 8],
]

test('each side moves in by its own distance', () => {
  expect(insetOf(rectangle, (side) => [0.5, 0.3, 0.5, 0.1][side] ?? 0)).toEqual([
    [0.1, 0.5],
    [9.7, 0.5],
    [9.7, 7.5],
    [0.1, 7.5],
  ])
  expect(insetOf(rectangle, () => 0)).toEqual(rectangle)
})

test('a bay grows by it, and what would turn round is none', () => {
  const u: Vec2[] = [
    [0, 0],
    [9, 0],
    [9, 6],
    [6, 6],
    [6, 2],
    [3, 2],
    [3, 6],
    [0, 6],
  ]
  const inner = insetOf(u, () => 0.5)
  expect(inner?.[4]).toEqual([6.5, 1.5])
  expect(inner?.[5]).toEqual([2.5, 1.5])
  expect(insetOf(u, () => 1.1)).toBeNull()
  expect(insetOf(rectangle, () => 4)).toBeNull()
})
