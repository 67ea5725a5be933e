import { type RoofPlane } from '../roof/plane'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { toRadians } from '../model/units'
import { type Field } from './free-runs'
import { type Cell } from './parts'
import { Layouts, type Pattern } from './patterns'
import { plainGrid } from './plain-grid'
import { frameOf, fromFrame, planOntoFrame, toFrame, turnedFrame, type PlaneFrame } from './plane-frame'
import { type Orientation } from './strips'
import { depthOf, isPaired, type Tilt } from './tilt'

export interface LayRequest {
  readonly plane: Pick<RoofPlane, 'corners' | 'normal'>
  /** One to a plane edge. */
  readonly setbacksM: readonly number[]
  /** Footprints in plan with the strip kept free around them. */
  readonly obstructions: readonly { readonly base: readonly Vec2[]; readonly clearanceM: number }[]
  /** A drawn outline that modules stay in, in the plane's own frame. */
  readonly within?: readonly Vec2[]
  /** What other arrays have taken of the plane, in its own frame, with the strip kept free around it. */
  readonly taken?: readonly { readonly ring: readonly Vec2[]; readonly clearanceM: number }[]
  /** Rows raised off the plane; left out where they lie on it. */
  readonly tilt?: Tilt
  /** Rows turned from the eave, degrees clockwise as seen from above. */
  readonly turnDeg?: number
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

/** Modules that face one way, and of pairs of rows those that face the other. */
export interface Sides {
  readonly slots: readonly Slot[]
  readonly opposite: readonly Slot[]
}

/** Fills a plane with modules as its pattern says. Portrait has the long side up the slope. */
export function layOnPlane(request: LayRequest): Slot[] {
  const { slots, opposite } = laySides(request)
  return [...slots, ...opposite]
}

/** The same, told apart by the side they face. */
export function laySides(request: LayRequest): Sides {
  const frame = turnedFrame(frameOf(request.plane), request.turnDeg ?? 0)
  const field = fieldOf(request, frame)
  const { tilt } = request
  const spaced = tilt ? { rowGapM: tilt.rowGapM, depthOf: (slopeM: number) => depthOf(slopeM, tilt) } : {}
  const { pattern } = request
  // The coarser search knows no rows that stand up.
  const cells =
    pattern === 'plain' && !tilt
      ? plainGrid({ ...request, field })
      : new Layouts({ ...request, ...spaced, field }).cells(pattern === 'plain' ? 'aligned' : pattern)
  return sidesOf(frame, cells, request)
}

/** What modules may cover, in the coordinates of a frame on the plane, turned or not. */
export function fieldOf(
  {
    plane,
    setbacksM,
    obstructions,
    within,
    taken = [],
  }: Pick<LayRequest, 'plane' | 'setbacksM' | 'obstructions' | 'within' | 'taken'>,
  frame: PlaneFrame,
): Field {
  const own = frameOf(plane)
  const drawn = (ring: readonly Vec2[]) => ring.map((p) => toFrame(frame, fromFrame(own, p)))
  const polygon = plane.corners.map((c) => toFrame(frame, c))
  const kept = [
    ...obstructions.map(({ base, clearanceM }) => ({
      ring: base.map((p) => planOntoFrame(frame, p)),
      clearanceM,
    })),
    ...taken.map(({ ring, clearanceM }) => ({ ring: drawn(ring), clearanceM })),
  ]
  const inside = within && drawn(within)
  const sides = (ring: readonly Vec2[], distanceM: (side: number) => number) =>
    ring.map((from, i) => ({ from, to: ring[(i + 1) % ring.length] ?? from, distanceM: distanceM(i) }))
  return {
    polygon,
    holes: kept.map(({ ring }) => ring),
    barriers: [
      ...sides(polygon, (i) => setbacksM[i] ?? 0),
      ...kept.flatMap(({ ring, clearanceM }) => sides(ring, () => clearanceM)),
      ...(inside ? sides(inside, () => 0) : []),
    ],
    ...(inside ? { within: inside } : {}),
  }
}

/** Cells of a frame in space; a pair of rows has both of its modules in one cell. */
export const sidesOf = (
  frame: PlaneFrame,
  cells: readonly Cell[],
  raised: Pick<LayRequest, 'liftM' | 'tilt'>,
): Sides => ({
  slots: cells.map((cell) => slotAt(frame, cell, raised, 0)),
  opposite: isPaired(raised.tilt) ? cells.map((cell) => slotAt(frame, cell, raised, 1)) : [],
})

function slotAt(
  frame: PlaneFrame,
  { u, v, widthM, heightM, row, column, orientation }: Cell,
  { liftM, tilt }: Pick<LayRequest, 'liftM' | 'tilt'>,
  side: 0 | 1,
): Slot {
  const deepM = isPaired(tilt) ? (heightM - tilt.ridgeGapM) / 2 : heightM
  const slope = tilt ? Math.tan(toRadians(tilt.tiltDeg)) : 0
  // From the lower left corner as seen from the side it faces.
  const at = (du: number, dv: number) =>
    fromFrame(frame, side === 0 ? [u + du, v + dv] : [u + widthM - du, v + heightM - dv], liftM + dv * slope)
  const [a, b, c, d] = [at(0, 0), at(widthM, 0), at(widthM, deepM), at(0, deepM)]
  return {
    key: `${isPaired(tilt) ? 2 * row + side : row}:${column}`,
    orientation,
    // The strips of cells run along the long side, so the short side comes first.
    corners: orientation === 'portrait' ? [a, b, c, d] : [b, c, d, a],
  }
}
