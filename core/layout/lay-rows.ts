import { nearestOnSegment } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { isOpen, type Barrier, type Field } from './free-runs'
import { fieldOf, sidesOf, type LayRequest, type Sides, type Slot } from './lay'
import { frameOf, fromFrame, toFrame, turnedFrame } from './plane-frame'
import { type Cell } from './parts'
import { type Orientation } from './strips'
import { depthOf } from './tilt'

/** Rows set out one by one on a plane. */
export interface RowsRequest extends Omit<LayRequest, 'orientation' | 'pattern'> {
  readonly orientation: Orientation
  /** Lower left corner of all of them, in the plane's own frame. */
  readonly at: Vec2
  /** Places in each row, the lowest first. */
  readonly counts: readonly number[]
  readonly align: 'left' | 'center' | 'right'
}

export interface LaidRows extends Sides {
  /** Places that reach over what modules keep off, or off the plane. */
  readonly unfit: readonly Slot[]
}

/** Documents hold places to the millimetre: so far a module may be off what it was laid against, m. */
const roundedM = 6e-4

/** Sizes of the rows before they lie anywhere, m: one module, from one to the next, and all of them. */
export function rowsSize({
  counts,
  module: { widthM, lengthM },
  orientation,
  gapM,
  tilt,
}: Pick<RowsRequest, 'counts' | 'module' | 'orientation' | 'gapM' | 'tilt'>) {
  const [width, slope] = orientation === 'portrait' ? [widthM, lengthM] : [lengthM, widthM]
  const [height, rowGapM] = [depthOf(slope, tilt), tilt?.rowGapM ?? gapM]
  return {
    width,
    height,
    pitchU: width + gapM,
    pitchV: height + rowGapM,
    overallU: Math.max(...counts) * (width + gapM) - gapM,
    overallV: counts.length * (height + rowGapM) - rowGapM,
  }
}

/** How far in a row begins, m. */
const startOf = (count: number, most: number, pitchM: number, align: RowsRequest['align']): number =>
  (most - count) * pitchM * { left: 0, center: 0.5, right: 1 }[align]

/** Rows as rectangles in the plane's own frame: the room they take, fit or not, less the places left empty. */
export function ringsOfRows(
  request: Pick<
    RowsRequest,
    'at' | 'counts' | 'align' | 'module' | 'orientation' | 'gapM' | 'turnDeg' | 'tilt' | 'plane'
  >,
  removed: readonly string[] = [],
): Vec2[][] {
  const own = frameOf(request.plane)
  const frame = turnedFrame(own, request.turnDeg ?? 0)
  const [u0, v0] = toFrame(frame, fromFrame(own, request.at))
  const size = rowsSize(request)
  const most = Math.max(...request.counts)
  const gone = new Set(removed)
  return request.counts.flatMap((count, row) => {
    const start = u0 + startOf(count, most, size.pitchU, request.align)
    const v = v0 + row * size.pitchV
    return runsOf(count, (column) => !gone.has(`${row}:${column}`)).map(([first, past]) => {
      const [left, right] = [start + first * size.pitchU, start + past * size.pitchU - request.gapM]
      const top = v + size.height
      return [[left, v] as Vec2, [right, v] as Vec2, [right, top] as Vec2, [left, top] as Vec2].map((p) =>
        toFrame(own, fromFrame(frame, p)),
      )
    })
  })
}

/** From each first to past each last of those in a row that are there. */
function runsOf(count: number, isThere: (column: number) => boolean): (readonly [number, number])[] {
  const runs: [number, number][] = []
  for (let column = 0; column < count; column++) {
    if (!isThere(column)) continue
    const last = runs.at(-1)
    if (last?.[1] === column) last[1] = column + 1
    else runs.push([column, column + 1])
  }
  return runs
}

/** Modules in rows as they were set out; each lies where it is told to, or is among those that do not fit. */
export function layRows(request: RowsRequest): LaidRows {
  const own = frameOf(request.plane)
  const frame = turnedFrame(own, request.turnDeg ?? 0)
  const field = fieldOf(request, frame)
  const [u0, v0] = toFrame(frame, fromFrame(own, request.at))
  const { width, height, pitchU, pitchV } = rowsSize(request)
  const most = Math.max(...request.counts)
  const fitting: Cell[] = []
  const others: Cell[] = []
  request.counts.forEach((count, row) => {
    const start = u0 + startOf(count, most, pitchU, request.align)
    for (let column = 0; column < count; column++) {
      const cell: Cell = {
        u: start + column * pitchU,
        v: v0 + row * pitchV,
        widthM: width,
        heightM: height,
        orientation: request.orientation,
        row,
        column,
      }
      ;(fits(field, cell) ? fitting : others).push(cell)
    }
  })
  const over = sidesOf(frame, others, request)
  return { ...sidesOf(frame, fitting, request), unfit: [...over.slots, ...over.opposite] }
}

/** Whether a module keeps every distance of a field and lies in what may be covered. */
export function fits(field: Field, { u, v, widthM, heightM }: Cell): boolean {
  const low: Vec2 = [u, v]
  const high: Vec2 = [u + widthM, v + heightM]
  return (
    isOpen(field, [u + widthM / 2, v + heightM / 2]) &&
    field.barriers.every((barrier) => keeps(barrier, low, high))
  )
}

/** Whether an upright rectangle keeps a barrier's distance; at none it may touch it. */
function keeps({ from, to, distanceM }: Barrier, low: Vec2, high: Vec2): boolean {
  const spare = Math.max(0, distanceM - roundedM)
  const shrink = distanceM > 0 ? 0 : roundedM
  const a: Vec2 = [low[0] + shrink, low[1] + shrink]
  const b: Vec2 = [high[0] - shrink, high[1] - shrink]
  return !crosses(from, to, a, b) && (spare === 0 || distanceTo(from, to, a, b) >= spare)
}

/** Whether a segment has a point in an upright rectangle: the part of it inside both bands is not empty. */
function crosses(from: Vec2, to: Vec2, low: Vec2, high: Vec2): boolean {
  let [start, end] = [0, 1]
  for (const axis of [0, 1] as const) {
    const way = to[axis] - from[axis]
    if (way === 0) {
      if (from[axis] <= low[axis] || from[axis] >= high[axis]) return false
      continue
    }
    const [one, other] = [(low[axis] - from[axis]) / way, (high[axis] - from[axis]) / way]
    start = Math.max(start, Math.min(one, other))
    end = Math.min(end, Math.max(one, other))
  }
  return start < end
}

/** Between a segment and an upright rectangle that it does not cross: nearest at an end of it, or at a corner. */
function distanceTo(from: Vec2, to: Vec2, low: Vec2, high: Vec2): number {
  const outside = (p: Vec2) =>
    Math.hypot(Math.max(low[0] - p[0], 0, p[0] - high[0]), Math.max(low[1] - p[1], 0, p[1] - high[1]))
  const corners: readonly Vec2[] = [low, [high[0], low[1]], high, [low[0], high[1]]]
  return Math.min(
    outside(from),
    outside(to),
    ...corners.map((corner) => nearestOnSegment(from, to, corner).distanceM),
  )
}
