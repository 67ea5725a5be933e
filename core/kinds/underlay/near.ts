import { type Vec2 } from '../../geometry/vector'
import { type DrawnLayer, type LineDrawing } from '../../imports/line-drawing'
import { onGround, onSheet, type Lie } from './lie'

/** Cells to a side of the grid that finds a layer's pieces. */
const cellsAside = 128
/** Pieces over more cells than this are looked at every time: there are few that long. */
const mostCells = 400

/** A layer's pieces by the cells that their boxes cover: those of cell c are `ids[starts[c]]` to `ids[starts[c + 1] - 1]`. */
interface LayerGrid {
  readonly starts: Uint32Array
  readonly ids: Uint32Array
  readonly long: readonly number[]
}

/** Built once for each layer; drawings do not change. */
const grids = new WeakMap<DrawnLayer, LayerGrid>()

/** Columns and rows of the grid that a box covers, ends included; what lies outside the drawing counts to its border. */
type Covered = readonly [left: number, right: number, bottom: number, top: number]

/**
 * Pieces of a drawing's lines that come near a point of the ground, on the ground: what tools hold on to.
 * @param reachM half the side of the square that is looked at
 */
export function linesNear(
  drawing: LineDrawing,
  lie: Lie,
  hiddenLayers: readonly string[],
  at: Vec2,
  reachM: number,
): (readonly [Vec2, Vec2])[] {
  const [x, y] = onSheet(lie, at)
  const reach = reachM / lie.metresPerUnit
  const hidden = new Set(hiddenLayers)
  const near: (readonly [Vec2, Vec2])[] = []
  for (const layer of drawing.layers) {
    if (hidden.has(layer.name)) continue
    const { pieces } = layer
    const { starts, ids, long } = gridOf(layer, drawing)
    const found = new Set(long)
    const [left, right, bottom, top] = coveredBy(x - reach, y - reach, x + reach, y + reach, drawing)
    for (let column = left; column <= right; column++)
      for (let row = bottom; row <= top; row++) {
        const cell = column * cellsAside + row
        for (let k = starts[cell] ?? 0; k < (starts[cell + 1] ?? 0); k++) found.add(ids[k] ?? 0)
      }
    for (const id of found) {
      const [ax, ay, bx, by] = pieceOf(pieces, id)
      if (Math.min(ax, bx) > x + reach || Math.max(ax, bx) < x - reach) continue
      if (Math.min(ay, by) > y + reach || Math.max(ay, by) < y - reach) continue
      near.push([onGround(lie, [ax, ay]), onGround(lie, [bx, by])])
    }
  }
  return near
}

const pieceOf = (pieces: Float64Array, id: number): readonly [number, number, number, number] => [
  pieces[4 * id] ?? 0,
  pieces[4 * id + 1] ?? 0,
  pieces[4 * id + 2] ?? 0,
  pieces[4 * id + 3] ?? 0,
]

function coveredBy(
  fromX: number,
  fromY: number,
  toX: number,
  toY: number,
  { width, height }: LineDrawing,
): Covered {
  const place = (value: number, size: number) =>
    Math.max(0, Math.min(cellsAside - 1, Math.floor(value * (cellsAside / size) + cellsAside / 2)))
  return [place(fromX, width), place(toX, width), place(fromY, height), place(toY, height)]
}

/** In two passes: how many each cell holds, then which. */
function gridOf(layer: DrawnLayer, { width, height }: LineDrawing): LayerGrid {
  const known = grids.get(layer)
  if (known) return known
  const { pieces } = layer
  const count = pieces.length / 4
  // Columns and rows of every piece, worked out once: four small numbers each.
  const covered = new Uint8Array(4 * count)
  const [perX, perY] = [cellsAside / width, cellsAside / height]
  for (let k = 0; k < pieces.length; k++) {
    const at = (pieces[k] ?? 0) * (k % 2 === 0 ? perX : perY) + cellsAside / 2
    covered[k] = at < 0 ? 0 : at >= cellsAside ? cellsAside - 1 : at
  }
  const starts = new Uint32Array(cellsAside * cellsAside + 1)
  const long: number[] = []
  const each = (visit: (id: number, cell: number) => void, isLong: (id: number) => void) => {
    for (let id = 0; id < count; id++) {
      const [ax = 0, ay = 0, bx = 0, by = 0] = [
        covered[4 * id],
        covered[4 * id + 1],
        covered[4 * id + 2],
        covered[4 * id + 3],
      ]
      const [left, right] = ax < bx ? [ax, bx] : [bx, ax]
      const [bottom, top] = ay < by ? [ay, by] : [by, ay]
      if ((right - left + 1) * (top - bottom + 1) > mostCells) isLong(id)
      else
        for (let column = left; column <= right; column++)
          for (let row = bottom; row <= top; row++) visit(id, column * cellsAside + row)
    }
  }
  each(
    (_id, cell) => {
      starts[cell + 1] = (starts[cell + 1] ?? 0) + 1
    },
    (id) => long.push(id),
  )
  for (let cell = 0; cell < cellsAside * cellsAside; cell++)
    starts[cell + 1] = (starts[cell + 1] ?? 0) + (starts[cell] ?? 0)
  const ids = new Uint32Array(starts[cellsAside * cellsAside] ?? 0)
  const next = starts.slice()
  each(
    (id, cell) => {
      const at = next[cell] ?? 0
      ids[at] = id
      next[cell] = at + 1
    },
    () => undefined,
  )
  const grid = { starts, ids, long }
  grids.set(layer, grid)
  return grid
}
