import { runFinder, type Run } from './free-runs'
import { type Cell } from './parts'
import { type PatternRequest } from './patterns'
import { type Orientation } from './strips'

/** Row starts tried over one row's height, and column phases over one column's width. */
const rowSteps = 12
const mostPhases = 24

/**
 * Straight rows and columns by the first layouts' coarse search: the best of a dozen row starts and of the column
 * phases that begin a run. Modules taken away are told by their place in it, so that it stays as it was.
 */
export function plainGrid(request: PatternRequest & { readonly setbacksM: readonly number[] }): Cell[] {
  const tries = request.orientation === 'best' ? (['portrait', 'landscape'] as const) : [request.orientation]
  let best: Cell[] = []
  for (const orientation of tries) {
    const cells = bestGrid(request, orientation)
    if (cells.length > best.length) best = cells
  }
  return best
}

function bestGrid(
  { field, module, gapM, setbacksM }: PatternRequest & { readonly setbacksM: readonly number[] },
  orientation: Orientation,
): Cell[] {
  const [widthM, heightM] =
    orientation === 'portrait' ? [module.widthM, module.lengthM] : [module.lengthM, module.widthM]
  const find = runFinder(field)
  const vs = field.polygon.map((p) => p[1])
  const [bottom, top] = [Math.min(...vs), Math.max(...vs)]
  const pitchU = widthM + gapM
  const pitchV = heightM + gapM
  const least = Math.min(...setbacksM)
  let best: Cell[] = []
  for (let k = 0; k <= rowSteps; k++) {
    const start = bottom + least + (k * pitchV) / rowSteps
    const rows: Run[][] = []
    for (let v = start; v + heightM <= top + 1e-6; v += pitchV) rows.push(find(v, v + heightM, widthM))
    const found = bestPhase(rows, pitchU)
    if (found.length > best.length)
      best = found.map(({ u, row, column }) => ({
        ...{ u, v: start + row * pitchV, widthM, heightM, orientation, row, column },
      }))
  }
  return best
}

/** The cells of the column phase that holds most. Columns are counted from the leftmost one. */
function bestPhase(rows: readonly (readonly Run[])[], pitch: number): Pick<Cell, 'u' | 'row' | 'column'>[] {
  const runs = rows.flat()
  if (runs.length === 0) return []
  const origin = Math.min(...runs.map((run) => run[0]))
  const modulo = (x: number) => ((x % pitch) + pitch) % pitch
  const phases = [...new Set(runs.map(([from]) => Math.round(modulo(from - origin) * 1e6) / 1e6))].slice(
    0,
    mostPhases,
  )
  let best: Pick<Cell, 'u' | 'row' | 'column'>[] = []
  for (const phase of phases) {
    const cells: Pick<Cell, 'u' | 'row' | 'column'>[] = []
    rows.forEach((row, r) => {
      for (const [from, to] of row) {
        let column = Math.ceil((from - origin - phase) / pitch - 1e-6)
        for (let u = origin + phase + column * pitch; u <= to + 1e-6; u += pitch, column++)
          cells.push({ u, row: r, column })
      }
    })
    if (cells.length > best.length) best = cells
  }
  const first = Math.min(...best.map((cell) => cell.column))
  return best.map((cell) => ({ ...cell, column: cell.column - first }))
}
