import { type Vec2 } from '../geometry/vector'
import { cellAt, type HeightGrid } from '../heights/raster'

/**
 * The border around a group of cells: the middle of every side that a cell of the group shares with one outside it, in
 * order, counter-clockwise. It runs half-way between the two, so it leans to neither.
 * @param isIn whether a cell belongs to the group, which is connected and has no holes
 * @param start any cell of it
 */
export function borderOf(grid: HeightGrid, isIn: (k: number) => boolean, start: number): Vec2[] {
  const { columns, rows } = grid
  const inside = (column: number, row: number) =>
    column >= 0 && row >= 0 && column < columns && row < rows && isIn(row * columns + column)
  // From the start to the west until the group ends: that cell's west side is on a border.
  let column = start % columns
  const startRow = (start - column) / columns
  while (inside(column - 1, startRow)) column--
  // A side is where one stands (its cell) and which way is out: west, south, east, north.
  const outs = [
    [-1, 0],
    [0, 1],
    [1, 0],
    [0, -1],
  ] as const
  let [c, r, way] = [column, startRow, 0]
  const border: Vec2[] = []
  do {
    const [oc, or] = outs[way] ?? outs[0]
    border.push(cellAt(grid, c + oc / 2, r + or / 2))
    // Along the side, with the group on the left hand: the next way round is where one walks to.
    const [wc, wr] = outs[(way + 1) % 4] ?? outs[0]
    if (!inside(c + wc, r + wr)) way = (way + 1) % 4
    else if (inside(c + wc + oc, r + wr + or)) {
      ;[c, r] = [c + wc + oc, r + wr + or]
      way = (way + 3) % 4
    } else [c, r] = [c + wc, r + wr]
  } while (c !== column || r !== startRow || way !== 0)
  return border
}
