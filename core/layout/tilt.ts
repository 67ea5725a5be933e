import { add3, scale3 } from '../geometry/vector'
import { toDegrees, toRadians } from '../model/units'
import { type RoofPlane } from '../roof/plane'
import { type PlaneFrame } from './plane-frame'

/** Rows raised off the plane they stand on, their lower edges towards the eave, or where they are turned to. */
export interface Tilt {
  /** From the plane. */
  readonly tiltDeg: number
  /** Clear distance from one row to the next, on the plane, m. */
  readonly rowGapM: number
  /** Rows stand in pairs that face away from each other, their upper edges this far apart, m; null where all face one way. */
  readonly ridgeGapM: number | null
}

/** Whether rows stand in pairs that face away from each other. */
export const isPaired = (tilt: Tilt | undefined): tilt is Tilt & { readonly ridgeGapM: number } =>
  tilt !== undefined && tilt.ridgeGapM !== null

/** How deep a row is on the plane, or a pair of rows, of modules of a size up their tilt, m. */
export function depthOf(slopeM: number, tilt: Tilt | undefined): number {
  if (!tilt) return slopeM
  const one = slopeM * Math.cos(toRadians(tilt.tiltDeg))
  return tilt.ridgeGapM === null ? one : 2 * one + tilt.ridgeGapM
}

/** The face of tilted rows: normal, tilt and azimuth in space; of pairs that of their lower row. @param side 1 for the upper one */
export function tiltedPlane(
  { normal, v }: PlaneFrame,
  { tiltDeg }: Pick<Tilt, 'tiltDeg'>,
  side: 0 | 1 = 0,
): Pick<RoofPlane, 'normal' | 'pitchDeg' | 'azimuthDeg'> {
  const [cos, sin] = [Math.cos(toRadians(tiltDeg)), Math.sin(toRadians(tiltDeg))]
  const face = add3(scale3(normal, cos), scale3(v, side === 0 ? -sin : sin))
  return {
    normal: face,
    pitchDeg: toDegrees(Math.acos(Math.max(-1, Math.min(1, face[2])))),
    azimuthDeg: (toDegrees(Math.atan2(face[0], face[1])) + 360) % 360,
  }
}
