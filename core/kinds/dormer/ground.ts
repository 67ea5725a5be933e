import { unit2, type Vec2 } from '../../geometry/vector'
import { planeHeightM, planOf } from '../../roof/plane'
import { topFaceAt } from '../below'
import { type Below } from '../standing'

/** The plane that a dormer stands on, at the foot of its front. */
export interface DormerGround {
  /** Corners of the plane in plan. */
  readonly plan: readonly Vec2[]
  readonly pitchDeg: number
  /** Unit vector of the plan up the slope. */
  readonly uphill: Vec2
  readonly heightM: number
  /** Whether it belongs to a neighbour. */
  readonly faded: boolean
}

/** What is under a front's foot; null where there is no roof. */
export function dormerGround(below: Pick<Below, 'objects'>, front: Vec2): DormerGround | null {
  const face = topFaceAt(below, front)
  if (!face) return null
  const [x, y] = face.normal
  return {
    plan: planOf(face.corners),
    pitchDeg: face.pitchDeg,
    // On the level the slope's way is north.
    uphill: Math.hypot(x, y) < 1e-9 ? [0, 1] : unit2([-x, -y]),
    heightM: planeHeightM(face, front),
    faded: below.objects.some(({ geometry }) => geometry.faded && geometry.faces.includes(face)),
  }
}
