import { type RoofPlane } from '../roof/plane'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { freeRuns, type Field } from './free-runs'
import { frameOf, fromFrame, planOntoFrame, toFrame, type PlaneFrame } from './plane-frame'

export interface LayRequest {
  readonly plane: Pick<RoofPlane, 'corners' | 'normal'>
  /** One to a plane edge. */
  readonly setbacksM: readonly number[]
  /** Footprints in plan with the strip kept free around them. */
  readonly obstructions: readonly { readonly base: readonly Vec2[]; readonly clearanceM: number }[]
  readonly module: { readonly widthM: number; readonly lengthM: number }
  readonly gapM: number
  readonly orientation: 'portrait' | 'landscape' | 'best'
  /** Height of the module's face over the plane. */
  readonly liftM: number
}

export interface Slot {
  /** "row:column", rows from the eave up. */
  readonly key: string
  /** Lower left, lower right, upper right, upper left seen from the front; the short side of the module first. */
  readonly corners: readonly [Vec3, Vec3, Vec3, Vec3]
  readonly orientation: 'portrait' | 'landscape'
}

/** Row starts tried over one row's height, and column phases over one column's width. */
const rowSteps = 12
const mostPhases = 24

/**
 * Fills a plane with modules in straight rows and columns: the row offset, the column phase and, for "best", the
 * orientation that hold most. Portrait has the long side up the slope.
 */
export function layOnPlane(request: LayRequest): Slot[] {
  const frame = frameOf(request.plane)
  const field = fieldOf(request, frame)
  const tries = request.orientation === 'best' ? (['portrait', 'landscape'] as const) : [request.orientation]
  let best: Slot[] = []
  for (const orientation of tries) {
    const slots = bestGrid(field, frame, request, orientation)
    if (slots.length > best.length) best = slots
  }
  return best
}

export function fieldOf(
  request: Pick<LayRequest, 'plane' | 'setbacksM' | 'obstructions'>,
  frame: PlaneFrame,
): Field {
  const polygon = request.plane.corners.map((c) => toFrame(frame, c))
  const holes = request.obstructions.map((o) => o.base.map((p) => planOntoFrame(frame, p)))
  const side = (ring: readonly Vec2[], i: number, distanceM: number) => ({
    from: ring[i] as Vec2,
    to: ring[(i + 1) % ring.length] as Vec2,
    distanceM,
  })
  return {
    polygon,
    holes,
    barriers: [
      ...polygon.map((_, i) => side(polygon, i, request.setbacksM[i] ?? 0)),
      ...holes.flatMap((hole, k) =>
        hole.map((_, i) => side(hole, i, request.obstructions[k]?.clearanceM ?? 0)),
      ),
    ],
  }
}

function bestGrid(
  field: Field,
  frame: PlaneFrame,
  request: LayRequest,
  orientation: 'portrait' | 'landscape',
): Slot[] {
  const { module, gapM } = request
  const [width, height] =
    orientation === 'portrait' ? [module.widthM, module.lengthM] : [module.lengthM, module.widthM]
  const vs = field.polygon.map((p) => p[1])
  const [bottom, top] = [Math.min(...vs), Math.max(...vs)]
  const pitchU = width + gapM
  const pitchV = height + gapM
  let best: { count: number; cells: Cell[] } = { count: 0, cells: [] }
  for (const start of rowStarts(request, bottom, pitchV)) {
    const rows: [number, number][][] = []
    for (let v = start; v + height <= top + 1e-6; v += pitchV)
      rows.push(freeRuns(field, v, v + height, width))
    const found = bestPhase(rows, pitchU)
    if (found.length > best.count) {
      best = { count: found.length, cells: found.map((cell) => ({ ...cell, v: start + cell.row * pitchV })) }
    }
  }
  return best.cells.map(({ u, v, row, column }) =>
    slotAt(frame, u, v, width, height, `${row}:${column}`, orientation, request.liftM),
  )
}

interface Cell {
  readonly u: number
  readonly v: number
  readonly row: number
  readonly column: number
}

function rowStarts(request: LayRequest, bottom: number, pitchV: number): number[] {
  const least = Math.min(...request.setbacksM)
  return Array.from({ length: rowSteps + 1 }, (_, k) => bottom + least + (k * pitchV) / rowSteps)
}

/** The cells of the column phase that holds most. Columns are counted from the leftmost one. */
function bestPhase(rows: readonly (readonly [number, number][])[], pitch: number): Cell[] {
  const runs = rows.flat()
  if (runs.length === 0) return []
  const origin = Math.min(...runs.map((run) => run[0]))
  const modulo = (x: number) => ((x % pitch) + pitch) % pitch
  const phases = [...new Set(runs.map(([from]) => Math.round(modulo(from - origin) * 1e6) / 1e6))].slice(
    0,
    mostPhases,
  )
  let best: Cell[] = []
  for (const phase of phases) {
    const cells: Cell[] = []
    rows.forEach((row, r) => {
      for (const [from, to] of row) {
        let column = Math.ceil((from - origin - phase) / pitch - 1e-6)
        for (let u = origin + phase + column * pitch; u <= to + 1e-6; u += pitch, column++)
          cells.push({ u, v: 0, row: r, column })
      }
    })
    if (cells.length > best.length) best = cells
  }
  const first = Math.min(...best.map((cell) => cell.column))
  return best.map((cell) => ({ ...cell, column: cell.column - first }))
}

function slotAt(
  frame: PlaneFrame,
  u: number,
  v: number,
  width: number,
  height: number,
  key: string,
  orientation: 'portrait' | 'landscape',
  liftM: number,
): Slot {
  const at = (du: number, dv: number) => fromFrame(frame, [u + du, v + dv], liftM)
  const [a, b, c, d] = [at(0, 0), at(width, 0), at(width, height), at(0, height)]
  // The strips of cells run along the long side, so the short side comes first.
  return { key, orientation, corners: orientation === 'portrait' ? [a, b, c, d] : [b, c, d, a] }
}
