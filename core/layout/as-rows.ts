import { type Vec2 } from '../geometry/vector'
import { type Slot } from './lay'
import { rowsSize, type RowsRequest } from './lay-rows'
import { fromFrame, toFrame, type PlaneFrame } from './plane-frame'
import { type Orientation } from './strips'

/** Modules as rows that hold them where they lie. */
export interface FoundRows extends Pick<RowsRequest, 'at' | 'counts' | 'orientation'> {
  /** Places between them and before them that hold none, as "row:column". */
  readonly removed: readonly string[]
  /** Which of the modules given these are, by their index, and the place each has now. */
  readonly places: ReadonlyMap<number, string>
}

/** Modules this near to the lattice of others are in line with them, m. */
const inLineM = 1e-3

interface Lattice {
  readonly orientation: Orientation
  readonly u: number
  readonly v: number
  readonly pitchU: number
  readonly pitchV: number
  readonly cells: { readonly index: number; readonly column: number; readonly row: number }[]
}

/**
 * Modules that lie anyhow on a plane as rows: those in line with each other, both ways and at the gap, become one set of
 * rows, the others further ones.
 * @param own the plane's frame, in which rows say where they are
 * @param frame the same turned as the rows are
 */
export function asRows(
  slots: readonly Pick<Slot, 'corners' | 'orientation'>[],
  own: PlaneFrame,
  frame: PlaneFrame,
  size: Pick<RowsRequest, 'module' | 'gapM' | 'tilt'>,
): FoundRows[] {
  const lattices: Lattice[] = []
  slots.forEach(({ corners, orientation }, index) => {
    const points = corners.map((corner) => toFrame(frame, corner))
    const [u, v] = [Math.min(...points.map((p) => p[0])), Math.min(...points.map((p) => p[1]))]
    const { pitchU, pitchV } = rowsSize({ ...size, counts: [1], orientation })
    const known = lattices.find(
      (one) => one.orientation === orientation && isOn(u - one.u, pitchU) && isOn(v - one.v, pitchV),
    )
    const lattice = known ?? { orientation, u, v, pitchU, pitchV, cells: [] }
    if (!known) lattices.push(lattice)
    lattice.cells.push({
      index,
      column: Math.round((u - lattice.u) / pitchU),
      row: Math.round((v - lattice.v) / pitchV),
    })
  })
  return lattices.map((lattice) => rowsOf(lattice, own, frame))
}

const isOn = (off: number, pitchM: number): boolean =>
  Math.abs(off - Math.round(off / pitchM) * pitchM) < inLineM

function rowsOf({ orientation, u, v, pitchU, pitchV, cells }: Lattice, own: PlaneFrame, frame: PlaneFrame) {
  const left = Math.min(...cells.map(({ column }) => column))
  const low = Math.min(...cells.map(({ row }) => row))
  const high = Math.max(...cells.map(({ row }) => row))
  const at: Vec2 = toFrame(own, fromFrame(frame, [u + left * pitchU, v + low * pitchV]))
  const held = new Map(cells.map(({ index, column, row }) => [`${row - low}:${column - left}`, index]))
  const counts = Array.from({ length: high - low + 1 }, (_, k) =>
    Math.max(1, ...cells.filter(({ row }) => row - low === k).map(({ column }) => column - left + 1)),
  )
  return {
    orientation,
    at,
    counts,
    removed: counts.flatMap((count, row) =>
      Array.from({ length: count }, (_, column) => `${row}:${column}`).filter((place) => !held.has(place)),
    ),
    places: new Map([...held].map(([place, index]) => [index, place])),
  }
}
