import { containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { cellAt, cellSideM, coarser, type HeightGrid } from '../heights/raster'

/** A grid with the place of every cell, and which cells lie on the house. */
export interface Survey {
  readonly grid: HeightGrid
  /** Side of a cell, m. */
  readonly sideM: number
  readonly x: Float64Array
  readonly y: Float64Array
  readonly z: Float32Array
  /** 1 where the middle of the cell lies inside the outline and was measured. */
  readonly inside: Uint8Array
}

/** Cells are put together where they are no more than half as wide as this, m. */
const usualCellM = 0.22

/** A grid as fine as is of use: finer cells scatter as much and take longer, together they tell the same with less scatter. */
export function usefulGrid(measured: HeightGrid): HeightGrid {
  const times = Math.round(usualCellM / cellSideM(measured))
  return times > 1 ? coarser(measured, times) : measured
}

export function surveyOf(grid: HeightGrid, outline: readonly Vec2[]): Survey {
  const count = grid.columns * grid.rows
  const [x, y] = [new Float64Array(count), new Float64Array(count)]
  const inside = new Uint8Array(count)
  for (let row = 0; row < grid.rows; row++)
    for (let column = 0; column < grid.columns; column++) {
      const k = row * grid.columns + column
      const p = cellAt(grid, column, row)
      x[k] = p[0]
      y[k] = p[1]
      if (!Number.isNaN(grid.heights[k]) && containsPoint(outline, p)) inside[k] = 1
    }
  return { grid, sideM: cellSideM(grid), x, y, z: grid.heights, inside }
}

/** The cells beside a cell: those that share a side with it, or those too that share a corner. */
export function around({ columns, rows }: HeightGrid, k: number, corners = false): number[] {
  const column = k % columns
  const row = (k - column) / columns
  const found: number[] = []
  for (let dr = -1; dr <= 1; dr++)
    for (let dc = -1; dc <= 1; dc++) {
      if ((dr === 0 && dc === 0) || (!corners && dr !== 0 && dc !== 0)) continue
      const [r, c] = [row + dr, column + dc]
      if (r >= 0 && r < rows && c >= 0 && c < columns) found.push(r * columns + c)
    }
  return found
}

/** Connected groups of cells that a test holds for, largest first. */
export function groupsOf(grid: HeightGrid, holds: (k: number) => boolean, corners = false): number[][] {
  const seen = new Uint8Array(grid.columns * grid.rows)
  const groups: number[][] = []
  for (let start = 0; start < seen.length; start++) {
    if (seen[start] || !holds(start)) continue
    seen[start] = 1
    const group = [start]
    for (const k of group)
      for (const next of around(grid, k, corners))
        if (!seen[next] && holds(next)) {
          seen[next] = 1
          group.push(next)
        }
    groups.push(group)
  }
  return groups.sort((a, b) => b.length - a.length)
}

export const medianOf = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[sorted.length >> 1] ?? 0
}

/** The value under which a share of them lies. */
export const quantileOf = (values: readonly number[], share: number): number => {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(share * (sorted.length - 1))))] ?? 0
}
