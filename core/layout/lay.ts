import { type RoofPlane } from '../roof/plane'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { type Field } from './free-runs'
import { type Cell } from './parts'
import { Layouts, type Pattern } from './patterns'
import { plainGrid } from './plain-grid'
import { frameOf, fromFrame, planOntoFrame, toFrame, type PlaneFrame } from './plane-frame'
import { type Orientation } from './strips'

export interface LayRequest {
  readonly plane: Pick<RoofPlane, 'corners' | 'normal'>
  /** One to a plane edge. */
  readonly setbacksM: readonly number[]
  /** Footprints in plan with the strip kept free around them. */
  readonly obstructions: readonly { readonly base: readonly Vec2[]; readonly clearanceM: number }[]
  readonly module: { readonly widthM: number; readonly lengthM: number }
  readonly gapM: number
  readonly orientation: Orientation | 'best'
  /** How the modules are set out; `plain` is the coarser search of the first layouts, kept for what it laid. */
  readonly pattern: Pattern | 'plain'
  /** Height of the module's face over the plane. */
  readonly liftM: number
}

export interface Slot {
  /** "row:column", rows from the eave up. */
  readonly key: string
  /** Lower left, lower right, upper right, upper left seen from the front; the short side of the module first. */
  readonly corners: readonly [Vec3, Vec3, Vec3, Vec3]
  readonly orientation: Orientation
}

/** Fills a plane with modules as its pattern says. Portrait has the long side up the slope. */
export function layOnPlane(request: LayRequest): Slot[] {
  const frame = frameOf(request.plane)
  const field = fieldOf(request, frame)
  const cells =
    request.pattern === 'plain'
      ? plainGrid({ ...request, field })
      : new Layouts({ ...request, field }).cells(request.pattern)
  return cells.map((cell) => slotAt(frame, cell, request.liftM))
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

function slotAt(frame: PlaneFrame, cell: Cell, liftM: number): Slot {
  const { u, v, widthM, heightM, row, column, orientation } = cell
  const at = (du: number, dv: number) => fromFrame(frame, [u + du, v + dv], liftM)
  const [a, b, c, d] = [at(0, 0), at(widthM, 0), at(widthM, heightM), at(0, heightM)]
  return {
    key: `${row}:${column}`,
    orientation,
    // The strips of cells run along the long side, so the short side comes first.
    corners: orientation === 'portrait' ? [a, b, c, d] : [b, c, d, a],
  }
}
