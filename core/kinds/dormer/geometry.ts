import { columnsUnder } from '../../geometry/body'
import { containsPoint, nearestOnSegment } from '../../geometry/polygon'
import { type Vec2, type Vec3 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { planeThrough, planOf } from '../../roof/plane'
import { roofShapes, roofStrokes } from '../roof-drawing'
import { emptyGeometry, type Geometry, type Stroke } from '../standing'
import { round } from '../place'
import { lowestWallM, type Dormer } from './dormer'
import { type DormerGround } from './ground'
import { dormerShape, type DormerShape } from './shape'

type Measures = Omit<Dormer, 'id' | 'name' | 'kind'>

/** What may lie beside the plane all the same: documents are written in millimetres. */
const besideM = 1.5e-3

/** Front, cheeks and roof; where it cannot stand as it is meant, what can be shown of it and why. */
export function dormerGeometry(dormer: Measures, ground: DormerGround | null): Geometry {
  if (!ground) return frontAlone(dormer, ground, new Fault('off-roof', {}, 'front'))
  let shape: DormerShape
  try {
    shape = dormerShape(dormer, ground.pitchDeg)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return frontAlone(dormer, ground, error)
  }
  const place = placeOf(dormer, ground)
  const planes = shape.faces.map(({ side, corners, edges }) => planeThrough(side, corners.map(place), edges))
  const walls = shape.walls.map((corners) => corners.map(place))
  const base = planOf(shape.outline.map(([right, inM]) => place([right, inM, 0])))
  const topM = ground.heightM + shape.topM
  const outside = base.some((p) => !liesIn(ground.plan, p))
  return {
    ...emptyGeometry,
    solids: planes.flatMap(({ corners }) => columnsUnder(corners, ground.heightM)),
    keepOuts: [{ base, clearanceM: dormer.clearanceM, topM }],
    faces: planes,
    surfaces: [
      ...planes.map(({ corners, id }) => ({ corners, tone: 'roof' as const, face: id })),
      ...walls.map((corners) => ({ corners, tone: 'wall' as const })),
    ],
    strokes: [...roofStrokes(planes), ...wallStrokes(dormer, walls, place)],
    plan: roofShapes(planes, ground.faded),
    topM,
    faded: ground.faded,
    fault: outside
      ? new Fault('dormer-off-plane', { depth: { value: shape.depthM, unit: 'm' } }, 'front')
      : null,
  }
}

/** From the dormer's frame into space. */
const placeOf =
  ({ front }: Measures, { uphill: [ux, uy], heightM }: DormerGround) =>
  ([right, inM, up]: Vec3): Vec3 => [
    front[0] + right * uy + inM * ux,
    front[1] - right * ux + inM * uy,
    heightM + up,
  ]

/** Corners of the front, its foot, and where the cheeks come out of the plane. */
function wallStrokes(
  { widthM, wallHeightM }: Measures,
  walls: readonly Vec3[][],
  place: (p: Vec3) => Vec3,
): Stroke[] {
  const half = widthM / 2
  const [, right, left] = walls
  const [footL, footR]: [Vec3, Vec3] = [place([-half, 0, 0]), place([half, 0, 0])]
  const strokes: Stroke[] = [
    { from: footL, to: place([-half, 0, wallHeightM]), is: 'corner' },
    { from: footR, to: place([half, 0, wallHeightM]), is: 'corner' },
    { from: footL, to: footR, is: 'foot' },
  ]
  const [endR, endL] = [right?.[1], left?.[2]]
  if (endR && endL) strokes.push({ from: footR, to: endR, is: 'foot' }, { from: footL, to: endL, is: 'foot' })
  return strokes
}

/** The front wall by itself, on its plane or on the ground. */
function frontAlone(dormer: Measures, ground: DormerGround | null, fault: Fault): Geometry {
  const stood = ground ?? { plan: [], pitchDeg: 0, uphill: [0, 1], heightM: 0, faded: false }
  const place = placeOf(dormer, stood)
  const half = dormer.widthM / 2
  const corners = (
    [
      [-half, 0, 0],
      [half, 0, 0],
      [half, 0, dormer.wallHeightM],
      [-half, 0, dormer.wallHeightM],
    ] as const
  ).map(place)
  return {
    ...emptyGeometry,
    surfaces: [{ corners, tone: 'wall' }],
    strokes: corners.map((from, i) => ({ from, to: corners[(i + 1) % 4] ?? from, is: 'edge' })),
    topM: stood.heightM + dormer.wallHeightM,
    faded: stood.faded,
    fault,
  }
}

const liesIn = (plan: readonly Vec2[], p: Vec2): boolean =>
  containsPoint(plan, p) ||
  plan.some((a, i) => nearestOnSegment(a, plan[(i + 1) % plan.length] ?? a, p).distanceM < besideM)

const lowerM = 0.1

/** As high as it may be where it is put: lower by and by until its roof ends on the plane, or as it was where none does. */
export function fittedDormer(dormer: Dormer, ground: DormerGround | null): Dormer {
  const tried = Array.from(
    { length: Math.floor((dormer.wallHeightM - lowestWallM) / lowerM) + 1 },
    (_, k) => ({
      ...dormer,
      wallHeightM: round(dormer.wallHeightM - k * lowerM),
    }),
  )
  return tried.find((one) => dormerGeometry(one, ground).fault === null) ?? dormer
}
