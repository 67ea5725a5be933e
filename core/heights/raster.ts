import { type Vec2 } from '../geometry/vector'

/** Heights on a grid of cells, row by row; the frame is said by what hands it out. */
export interface HeightGrid {
  readonly columns: number
  readonly rows: number
  /** Metres; NaN where nothing was measured. `heights[row * columns + column]`. */
  readonly heights: Float32Array
  /** The middle of the first cell, metres east and north. */
  readonly first: Vec2
  /** From one cell to the next of a row, and from one row to the next, metres east and north. */
  readonly across: Vec2
  readonly down: Vec2
  /** The bare ground as a plane, z = c + a x + b y, where heights of it are known beside those of what stands on it. */
  readonly ground?: { readonly a: number; readonly b: number; readonly c: number }
}

/** The middle of a cell, metres east and north; fractions lie between cells. */
export const cellAt = ({ first, across, down }: HeightGrid, column: number, row: number): Vec2 => [
  first[0] + across[0] * column + down[0] * row,
  first[1] + across[1] * column + down[1] * row,
]

/** Column and row of a point, as fractions. */
export function cellOf({ first, across, down }: HeightGrid, p: Vec2): Vec2 {
  const [dx, dy] = [p[0] - first[0], p[1] - first[1]]
  const area = across[0] * down[1] - across[1] * down[0]
  return [(dx * down[1] - dy * down[0]) / area, (across[0] * dy - across[1] * dx) / area]
}

/** The side of a cell, m: the square root of its area. */
export const cellSideM = ({ across, down }: HeightGrid): number =>
  Math.sqrt(Math.abs(across[0] * down[1] - across[1] * down[0]))

/** A grid with cells that are each the mean of some by some; none where fewer than half of these were measured. */
export function coarser(grid: HeightGrid, by: number): HeightGrid {
  const [columns, rows] = [Math.floor(grid.columns / by), Math.floor(grid.rows / by)]
  const heights = new Float32Array(columns * rows)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      let [sum, count] = [0, 0]
      for (let r = row * by; r < (row + 1) * by; r++)
        for (let c = column * by; c < (column + 1) * by; c++) {
          const height = grid.heights[r * grid.columns + c] ?? NaN
          if (!Number.isNaN(height)) [sum, count] = [sum + height, count + 1]
        }
      heights[row * columns + column] = 2 * count < by * by ? NaN : sum / count
    }
  const scaled = ([x, y]: Vec2): Vec2 => [x * by, y * by]
  return {
    columns,
    rows,
    heights,
    first: cellAt(grid, (by - 1) / 2, (by - 1) / 2),
    across: scaled(grid.across),
    down: scaled(grid.down),
    ...(grid.ground ? { ground: grid.ground } : {}),
  }
}
