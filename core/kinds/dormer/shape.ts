import { Fault } from '../../model/fault'
import { type Quantity } from '../../model/said'
import { toDegrees, toRadians } from '../../model/units'
import { type Vec2, type Vec3 } from '../../geometry/vector'
import { planOf } from '../../roof/plane'
import { type PlaneEdgeKind } from '../../roof/labels'
import { type Dormer } from './dormer'

/** With a tangent less than this between its roof and the plane, a dormer would hardly end. */
const leastSlope = 0.02
/** A ridge or an edge shorter than this is none. */
const leastEdgeM = 1e-6

/** One plane of a dormer's roof, in the dormer's own frame: right along the eave, in up the slope, height over the foot. */
export interface DormerFace {
  /** Which wall it rises from: 0 the front, 1 the right, 3 the left one. */
  readonly side: 0 | 1 | 3
  /** Counter-clockwise seen from above. */
  readonly corners: readonly Vec3[]
  /** Edge i runs from corner i to corner i + 1. */
  readonly edges: readonly PlaneEdgeKind[]
}

/** A dormer in its own frame, its front's foot in the middle at the origin. */
export interface DormerShape {
  readonly faces: readonly DormerFace[]
  /** The front and both cheeks, counter-clockwise seen from outside. */
  readonly walls: readonly (readonly Vec3[])[]
  /** Its outline from above, right and in; counter-clockwise. */
  readonly outline: readonly Vec2[]
  /** How far in its roof goes until all of it has met the plane. */
  readonly depthM: number
  /** Over the foot of the front. */
  readonly topM: number
}

type Measures = Pick<Dormer, 'form' | 'widthM' | 'wallHeightM' | 'pitchDeg'>

/**
 * The planes of a dormer, each followed in until it meets the plane it stands on.
 * @param planePitchDeg of the plane it stands on
 * @throws Fault `dormer-on-flat`, `dormer-too-steep`
 */
export function dormerShape(
  { form, widthM, wallHeightM: eave, pitchDeg }: Measures,
  planePitchDeg: number,
): DormerShape {
  const rise = Math.tan(toRadians(planePitchDeg))
  if (rise < leastSlope) throw new Fault('dormer-on-flat', {}, 'front')
  const own = form === 'flat' ? 0 : Math.tan(toRadians(pitchDeg))
  const half = widthM / 2
  if (form === 'shed' || form === 'flat') return underOnePlane(half, eave, rise, own)
  return form === 'gable' ? gabled(half, eave, rise, own) : hipped(half, eave, rise, own)
}

function underOnePlane(half: number, eave: number, rise: number, own: number): DormerShape {
  if (rise - own < leastSlope) {
    const limit: Quantity = { value: Math.floor(toDegrees(Math.atan(rise - leastSlope))), unit: 'deg' }
    throw new Fault('dormer-too-steep', { limit }, 'pitchDeg')
  }
  const depth = eave / (rise - own)
  const back = eave + own * depth
  const corners: Vec3[] = [
    [-half, 0, eave],
    [half, 0, eave],
    [half, depth, back],
    [-half, depth, back],
  ]
  return {
    faces: [{ side: 0, corners, edges: ['eave', 'rake', 'valley', 'rake'] }],
    walls: wallsOf(half, eave, eave, [depth, back]),
    outline: planOf(corners),
    depthM: depth,
    topM: back,
  }
}

/** Two planes along a level ridge, up to where it runs into the plane behind. */
function gabled(half: number, eave: number, rise: number, own: number): DormerShape {
  // The eaves at the sides are level and run in until the plane has come up to them.
  const cheek = eave / rise
  const ridge = eave + own * half
  const depth = ridge / rise
  return {
    faces: [
      {
        side: 1,
        corners: [
          [half, 0, eave],
          [half, cheek, eave],
          [0, depth, ridge],
          [0, 0, ridge],
        ],
        edges: ['eave', 'valley', 'ridge', 'rake'],
      },
      {
        side: 3,
        corners: [
          [-half, 0, eave],
          [0, 0, ridge],
          [0, depth, ridge],
          [-half, cheek, eave],
        ],
        edges: ['rake', 'ridge', 'valley', 'eave'],
      },
    ],
    walls: wallsOf(half, eave, ridge, [cheek, eave]),
    outline: outlineOf(half, cheek, [[0, depth]]),
    depthM: depth,
    topM: ridge,
  }
}

/** As with a gable, with a third plane over the front; where the plane behind is met before the three do, without a ridge. */
function hipped(half: number, eave: number, rise: number, own: number): DormerShape {
  const cheek = eave / rise
  // How far in the front's own plane goes, all of one pitch: to the ridge, or to the plane behind.
  const front = rise > own ? Math.min(half, eave / (rise - own)) : half
  const tip = half - front
  const top = eave + own * front
  const ridged = tip < leastEdgeM
  const depth = ridged ? top / rise : front
  const [left, right]: [Vec3, Vec3] = [
    [-half, 0, eave],
    [half, 0, eave],
  ]
  const faces: DormerFace[] = ridged
    ? [
        { side: 0, corners: [left, right, [0, half, top]], edges: ['eave', 'hip', 'hip'] },
        {
          side: 1,
          corners: [right, [half, cheek, eave], [0, depth, top], [0, half, top]],
          edges: ['eave', 'valley', 'ridge', 'hip'],
        },
        {
          side: 3,
          corners: [left, [0, half, top], [0, depth, top], [-half, cheek, eave]],
          edges: ['hip', 'ridge', 'valley', 'eave'],
        },
      ]
    : [
        {
          side: 0,
          corners: [left, right, [tip, front, top], [-tip, front, top]],
          edges: ['eave', 'hip', 'valley', 'hip'],
        },
        {
          side: 1,
          corners: [right, [half, cheek, eave], [tip, front, top]],
          edges: ['eave', 'valley', 'hip'],
        },
        {
          side: 3,
          corners: [left, [-tip, front, top], [-half, cheek, eave]],
          edges: ['hip', 'valley', 'eave'],
        },
      ]
  return {
    faces,
    walls: wallsOf(half, eave, eave, [cheek, eave]),
    outline: outlineOf(
      half,
      cheek,
      ridged
        ? [[0, depth]]
        : [
            [tip, front],
            [-tip, front],
          ],
    ),
    depthM: depth,
    topM: top,
  }
}

/** @param back where the roof meets the plane behind, from the right to the left */
const outlineOf = (half: number, cheek: number, back: readonly Vec2[]): Vec2[] => [
  [-half, 0],
  [half, 0],
  [half, cheek],
  ...back,
  [-half, cheek],
]

/**
 * The front, pointed where a gable stands on it, and the cheeks.
 * @param end where the upper edge of a cheek ends on the plane: how far in, and how high
 */
function wallsOf(half: number, eave: number, peak: number, [inM, upM]: readonly [number, number]): Vec3[][] {
  const point: Vec3[] = peak > eave ? [[0, 0, peak]] : []
  return [
    [[-half, 0, 0], [half, 0, 0], [half, 0, eave], ...point, [-half, 0, eave]],
    [
      [half, 0, 0],
      [half, inM, upM],
      [half, 0, eave],
    ],
    [
      [-half, 0, 0],
      [-half, 0, eave],
      [-half, inM, upM],
    ],
  ]
}
