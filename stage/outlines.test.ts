import { type Vec3 } from '@/core/geometry/vector'
import { borderOf, sidesOf } from './outlines'

/** Modules of 1 m x 2 m with 2 cm between them, by column and row. */
const moduleAt = (column: number, row: number): Vec3[] => {
  const [x, y] = [column * 1.02, row * 2.02]
  return [
    [x, y, 0],
    [x + 1, y, 0],
    [x + 1, y + 2, 0],
    [x, y + 2, 0],
  ]
}

test('the border of a block of modules leaves out the sides that face each other', () => {
  const block = [0, 1, 2].flatMap((column) => [0, 1].map((row) => moduleAt(column, row)))
  expect(borderOf(block)).toHaveLength(2 * 3 + 2 * 2)
  expect(borderOf([moduleAt(0, 0)])).toHaveLength(4)
  // Two that touch at a corner keep all their sides.
  expect(borderOf([moduleAt(0, 0), moduleAt(1, 1)])).toHaveLength(8)
  expect(borderOf([])).toEqual([])
})

test('two faces over one edge are its sides, whichever way it is walked', () => {
  const [a, b, c, d]: Vec3[] = [
    [0, 0, 0],
    [1, 0, 0],
    [1, 1, 0],
    [0, 0, 1],
  ] as Vec3[]
  if (!a || !b || !c || !d) throw new Error('unreachable')
  const sides = sidesOf([
    { corners: [a, b, c], tone: 'roof' },
    { corners: [a, b, d], tone: 'wall' },
  ])
  expect(sides(a, b)).toEqual(sides(b, a))
  expect(sides(a, b)?.map((n) => n.map(Math.abs))).toEqual([
    [0, 0, 1],
    [0, 1, 0],
  ])
  expect(sides(b, c)).toBeNull()
})
