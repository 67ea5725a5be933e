import { signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { groupsOf } from './survey'
import { borderOf } from './border'

/** Cells of 1 m, the first at the origin, rows going south. */
const gridOf = (columns: number, rows: number) => ({
  columns,
  rows,
  heights: new Float32Array(columns * rows),
  first: [0, 0] as Vec2,
  across: [1, 0] as Vec2,
  down: [0, -1] as Vec2,
})

test('one cell: the middles of its four sides, counter-clockwise', () => {
  const border = borderOf(gridOf(3, 3), (k) => k === 4, 4)
  expect(border).toEqual([
    [0.5, -1],
    [1, -1.5],
    [1.5, -1],
    [1, -0.5],
  ])
})

test('cells that fill the grid, and cells that touch at a corner alone', () => {
  expect(borderOf(gridOf(3, 2), () => true, 5)).toHaveLength(10)
  // Cells 0 and 4 of 3 x 3 share a corner: they are two groups.
  expect(borderOf(gridOf(3, 3), (k) => k === 0 || k === 4, 0)).toHaveLength(4)
})

test('seeded groups: as many points as there are sides to the outside, each half-way between, the area near', () => {
  const random = seededRandom(7)
  for (let round = 0; round < 300; round++) {
    const grid = gridOf(9, 8)
    const taken = Array.from({ length: 72 }, () => random() < 0.62)
    const [group = []] = groupsOf(grid, (k) => taken[k] === true)
    const own = new Set(group)
    // Holes belong to the group.
    for (const hole of groupsOf(grid, (k) => !own.has(k)))
      if (hole.every((k) => k % 9 > 0 && k % 9 < 8 && k >= 9 && k < 63)) for (const k of hole) own.add(k)
    const [start = 0] = group
    const border = borderOf(grid, (k) => own.has(k), start)
    let sides = 0
    for (const k of own) {
      const [column, row] = [k % 9, Math.floor(k / 9)]
      for (const [dc, dr] of [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
      ] as const) {
        const [c, r] = [column + dc, row + dr]
        if (c < 0 || r < 0 || c >= 9 || r >= 8 || !own.has(r * 9 + c)) sides++
      }
    }
    // A hole that touches the outside by a corner alone has sides that no walk around comes by.
    expect(border.length).toBeLessThanOrEqual(sides)
    if (border.length === sides) expect(new Set(border.map(String)).size).toBe(sides)
    expect(signedArea(border)).toBeGreaterThan(0)
    expect(signedArea(border)).toBeLessThanOrEqual(own.size)
  }
})
