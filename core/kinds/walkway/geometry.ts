import { Clipper, FillRule } from 'clipper2-ts'
import { hatchOf } from '../../geometry/hatch'
import { newell, type Vec2, type Vec3, unit3 } from '../../geometry/vector'
import { frameOf, fromFrame, planOntoFrame, toFrame } from '../../layout/plane-frame'
import { Fault } from '../../model/fault'
import { planOf, type RoofPlane } from '../../roof/plane'
import { emptyGeometry, type Geometry, type Handle, type Stroke } from '../standing'
import { type Walkway } from './walkway'

type Shape = Pick<Walkway, 'center' | 'widthM'>
export type Under = Pick<RoofPlane, 'corners' | 'holes' | 'normal'>

/** How far off the roof it is drawn, and how far apart its hatching, m. */
const liftM = 0.02
const hatchM = 0.22
/** Clipper works in whole numbers: tenths of a millimetre. */
const perMetre = 10_000

const path = (points: readonly Vec2[]) =>
  points.map(([u, v]) => ({ x: Math.round(u * perMetre), y: Math.round(v * perMetre) }))

/** The strip of the plane through its middle; in one piece where nothing stands in the way. */
export function walkwayGeometry({ center, widthM }: Shape, under: Under | null): Geometry {
  if (!under) return { ...emptyGeometry, fault: new Fault('off-roof', {}, 'center') }
  const frame = frameOf(under)
  const border = under.corners.map((c) => toFrame(frame, c))
  const [u, v] = planOntoFrame(frame, center)
  const vs = border.map((p) => p[1])
  const [low, high] = [Math.min(...vs) - 1, Math.max(...vs) + 1]
  const strip: Vec2[] = [
    [u - widthM / 2, low],
    [u + widthM / 2, low],
    [u + widthM / 2, high],
    [u - widthM / 2, high],
  ]
  const plane = [border, ...(under.holes ?? []).map((hole) => hole.map((c) => toFrame(frame, c)))].map(path)
  const pieces = Clipper.intersect(plane, [path(strip)], FillRule.EvenOdd)
    .map((ring) => ring.map(({ x, y }): Vec2 => [x / perMetre, y / perMetre]))
    // A piece that the middle does not lie on is another plane's, or beyond what parts this one.
    .filter((ring) => ring.some((p) => p[1] <= v) && ring.some((p) => p[1] >= v))
  const at = (p: Vec2): Vec3 => fromFrame(frame, p, liftM)
  const strokes = pieces.flatMap((ring): Stroke[] => [
    ...ring.map((a, i): Stroke => ({ from: at(a), to: at(ring[(i + 1) % ring.length] ?? a), is: 'walkway' })),
    ...hatchOf([ring], hatchM).map(([a, b]): Stroke => ({ from: at(a), to: at(b), is: 'hatch' })),
  ])
  return {
    ...emptyGeometry,
    keepOuts: pieces.map((ring) => ({
      base: planOf(ring.map((p) => fromFrame(frame, p))),
      clearanceM: 0,
      topM: null,
    })),
    surfaces: pieces.map((ring) => ({ corners: ring.map(at), tone: 'open' })),
    strokes,
    topM: Math.max(0, ...pieces.flat().map((p) => at(p)[2])),
  }
}

/** The grip of its width: on its right-hand side, as seen from below the eave; null where it has no place on a roof. */
export function widthGrip({ center, widthM }: Shape, { surfaces }: Geometry): Handle | null {
  const [surface] = surfaces
  if (!surface) return null
  const { corners } = surface
  const normal = unit3(newell(corners))
  const frame = frameOf({ corners, normal })
  const middle = planOntoFrame(frame, center)
  const origin = fromFrame(frame, middle)
  return {
    name: 'walkway-width',
    index: 0,
    at: fromFrame(frame, [middle[0] + widthM / 2, middle[1]]),
    moves: 'along',
    line: { origin, direction: frame.u, normal },
  }
}
