import { hatchOf } from '../../geometry/hatch'
import { stripOf } from '../../geometry/strip'
import { newell, unit3, type Vec2, type Vec3 } from '../../geometry/vector'
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

/** The strip of a plane through its middle, up and down to the plane's edges. Where no roof is under it, it says so. */
export function walkwayGeometry({ center, widthM }: Shape, under: Under | null): Geometry {
  const frame = under && frameOf(under)
  const strip = under && frame ? stripOn(under, frame, { center, widthM }) : []
  if (!frame || strip.length < 3) return { ...emptyGeometry, fault: new Fault('off-roof', {}, 'center') }
  const at = (p: Vec2): Vec3 => fromFrame(frame, p, liftM)
  const corners = strip.map(at)
  return {
    ...emptyGeometry,
    keepOuts: [{ base: planOf(strip.map((p) => fromFrame(frame, p))), clearanceM: 0, topM: null }],
    surfaces: [{ corners, tone: 'open' }],
    strokes: [
      ...corners.map((from, i): Stroke => ({
        from,
        to: corners[(i + 1) % corners.length] ?? from,
        is: 'walkway',
      })),
      ...hatchOf([strip], hatchM).map(([a, b]): Stroke => ({ from: at(a), to: at(b), is: 'hatch' })),
    ],
    topM: Math.max(...corners.map((p) => p[2])),
  }
}

function stripOn(under: Under, frame: ReturnType<typeof frameOf>, { center, widthM }: Shape): Vec2[] {
  const [u, v] = planOntoFrame(frame, center)
  const rings = [under.corners, ...(under.holes ?? [])].map((ring) => ring.map((c) => toFrame(frame, c)))
  return stripOf(rings, [u - widthM / 2, u + widthM / 2], v)
}

/** The grip of its width: on its right-hand side, as seen from below the eave; none where it has no place on a roof. */
export function widthGrip({ center, widthM }: Shape, { surfaces }: Geometry): Handle[] {
  const [surface] = surfaces
  if (!surface) return []
  const normal = unit3(newell(surface.corners))
  const frame = frameOf({ corners: surface.corners, normal })
  const middle = planOntoFrame(frame, center)
  const origin = fromFrame(frame, middle)
  return [
    {
      name: 'walkway-width',
      index: 0,
      at: fromFrame(frame, [middle[0] + widthM / 2, middle[1]]),
      moves: 'along',
      line: { origin, direction: frame.u, normal },
    },
  ]
}
