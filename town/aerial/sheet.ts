import { type Vec2 } from '@/core/geometry/vector'

/** A piece of ground as rows of points from the north-west, in metres east and north. */
export interface Grid {
  readonly columns: number
  readonly rows: number
  /** The north-western corner of the first point. */
  readonly corner: Vec2
  readonly stepM: Vec2
}

/** Middle of a point. */
export const placeAt = ({ corner, stepM }: Grid, column: number, row: number): Vec2 => [
  corner[0] + (column + 0.5) * stepM[0],
  corner[1] + (row + 0.5) * stepM[1],
]

/** A place in columns and rows from the corner. */
const pointOf = ({ corner, stepM }: Grid, p: Vec2): Vec2 => [
  (p[0] - corner[0]) / stepM[0],
  (p[1] - corner[1]) / stepM[1],
]

/**
 * Calls back for every point whose middle lies in a polygon, by rows: even-odd rule, any winding.
 * @param span gets the first column, the one after the last, and the row
 */
export function fillSpans(
  grid: Grid,
  polygon: readonly Vec2[],
  span: (from: number, to: number, row: number) => void,
): void {
  const points = polygon.map((p) => pointOf(grid, p))
  const low = Math.max(0, Math.ceil(Math.min(...points.map((p) => p[1])) - 0.5))
  const high = Math.min(grid.rows - 1, Math.floor(Math.max(...points.map((p) => p[1])) - 0.5))
  for (let row = low; row <= high; row++) {
    const y = row + 0.5
    const cuts: number[] = []
    points.forEach((a, i) => {
      const b = points[(i + 1) % points.length] ?? a
      if (a[1] > y === b[1] > y) return
      cuts.push(a[0] + ((y - a[1]) / (b[1] - a[1])) * (b[0] - a[0]))
    })
    cuts.sort((a, b) => a - b)
    for (let k = 0; k + 1 < cuts.length; k += 2) {
      const from = Math.max(0, Math.ceil((cuts[k] ?? 0) - 0.5))
      const to = Math.min(grid.columns, Math.floor((cuts[k + 1] ?? 0) - 0.5) + 1)
      if (to > from) span(from, to, row)
    }
  }
}

/** A straight strip as a polygon. */
export function strip(from: Vec2, to: Vec2, widthM: number): Vec2[] {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const k = widthM / 2 / Math.max(1e-9, Math.hypot(dx, dy))
  const [nx, ny] = [-dy * k, dx * k]
  return [
    [from[0] + nx, from[1] + ny],
    [from[0] - nx, from[1] - ny],
    [to[0] - nx, to[1] - ny],
    [to[0] + nx, to[1] + ny],
  ]
}
