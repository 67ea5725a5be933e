import { dot3, type Vec2, type Vec3 } from '../../geometry/vector'
import { rowsSize } from '../../layout/lay-rows'
import { frameOf, fromFrame, toFrame, turnedFrame } from '../../layout/plane-frame'
import { toDegrees } from '../../model/units'
import { type RoofPlane } from '../../roof/plane'
import { edgeKeysOf } from '../../setbacks/edges'
import { inWorld } from '../place'
import { type ModuleSize } from '../standing'
import { type PanelArray } from './array'
import { type ArrayPart } from './part'
import { lieOf } from './part-grips'
import { flippedPart } from './set-out'

/** Where a point of the plan comes to when everything is turned over. */
export type Over = (p: Vec2) => Vec2

const overInSpace = (over: Over, [x, y, z]: Vec3): Vec3 => [...over([x, y]), z]

/** Less than this is no turn, degrees. */
const levelDeg = 1e-6

/**
 * An array on the mirrored image of its plane, so that it is its own image: its part, its turn and the distances of single
 * edges. Places left empty in rows are mirrored with them; those of what is filled are other places afterwards, see
 * `emptiedLike`.
 * @param before its plane, and `after` the image of it, whose corners may begin elsewhere
 */
export function mirroredArray(
  array: PanelArray,
  before: RoofPlane,
  after: RoofPlane,
  module: ModuleSize,
  over: Over,
): PanelArray {
  const [from, to] = [frameOf(before), frameOf(after)]
  const image = (p: Vec2): Vec2 => inWorld(toFrame(to, overInSpace(over, fromFrame(from, p))))
  const rows = turnedFrame(from, array.turnDeg ?? 0)
  // Mirrored, the row runs the other way: from its right end.
  const [[x0, y0], [x1, y1]] = [over([0, 0]), over([rows.u[0], rows.u[1]])]
  const along: Vec3 = [x0 - x1, y0 - y1, -rows.u[2]]
  const turnDeg = toDegrees(Math.atan2(-dot3(along, to.v), dot3(along, to.u)))
  const { turnDeg: _turn, edgesM, part, ...others } = array
  return {
    ...others,
    ...(Math.abs(turnDeg) < levelDeg ? {} : { turnDeg: Number(turnDeg.toFixed(6)) }),
    ...(edgesM ? { edgesM: renamedEdges(edgesM, before, after, over) } : {}),
    ...(part ? imageOf({ ...array, part }, rows.u, from, image, module) : {}),
  }
}

function imageOf(
  array: PanelArray & { readonly part: ArrayPart },
  rowU: Vec3,
  from: ReturnType<typeof frameOf>,
  image: (p: Vec2) => Vec2,
  module: ModuleSize,
): Pick<PanelArray, 'removed'> & { readonly part: ArrayPart } {
  const { part } = array
  if (part.is === 'field')
    return { part: { ...part, corners: part.corners.map(image).reverse() }, removed: array.removed }
  const { overallU } = rowsSize({ ...array, ...part, module, orientation: lieOf(array) })
  const right: Vec2 = [part.at[0] + overallU * dot3(rowU, from.u), part.at[1] + overallU * dot3(rowU, from.v)]
  const { part: flipped = part, removed } = flippedPart(array, 'eave')
  return { part: { ...flipped, ...('at' in flipped ? { at: image(right) } : {}) }, removed }
}

/** Distances of single edges under the names that the image's edges have. */
function renamedEdges(
  edgesM: NonNullable<PanelArray['edgesM']>,
  before: RoofPlane,
  after: RoofPlane,
  over: Over,
): NonNullable<PanelArray['edgesM']> {
  const [keys, names] = [edgeKeysOf(before), edgeKeysOf(after)]
  const middles = ({ corners }: RoofPlane) =>
    corners.map((a, i): Vec3 => {
      const b = corners[(i + 1) % corners.length] ?? a
      return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2]
    })
  const images = middles(before).map((middle) => overInSpace(over, middle))
  const there = middles(after)
  return Object.fromEntries(
    Object.entries(edgesM).map(([key, metres]) => {
      const image = images[keys.findIndex((one) => one === key)]
      return [image ? (names[nearest(there, image)] ?? key) : key, metres]
    }),
  )
}

const distance = (a: Vec3, b: Vec3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])

function nearest(points: readonly Vec3[], to: Vec3): number {
  let best = 0
  points.forEach((point, i) => {
    if (distance(point, to) < distance(points[best] ?? point, to)) best = i
  })
  return best
}

const centreOf = (corners: readonly Vec3[]): Vec3 =>
  [0, 1, 2].map(
    (axis) => corners.reduce((sum, corner) => sum + (corner[axis] ?? 0), 0) / corners.length,
  ) as unknown as Vec3

interface Place {
  readonly slot: string
  readonly corners: readonly Vec3[]
}

/** Which of the places that are laid now are nearest to the images of those once left empty, no more than a module off. */
export function emptiedLike(
  empty: readonly Place[],
  places: readonly Place[],
  { widthM, lengthM }: ModuleSize,
  over: Over,
): string[] {
  const centres = places.map(({ corners }) => centreOf(corners))
  const found = empty.flatMap(({ corners }) => {
    const image = overInSpace(over, centreOf(corners))
    const at = nearest(centres, image)
    const centre = centres[at]
    return centre && distance(centre, image) < Math.min(widthM, lengthM) ? [places[at]?.slot ?? ''] : []
  })
  return [...new Set(found)]
}
