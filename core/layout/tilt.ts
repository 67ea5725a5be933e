import { columnsUnder, type SolidBody } from '../geometry/body'
import { add3, scale3, sub3, type Vec3 } from '../geometry/vector'
import { toDegrees, toRadians } from '../model/units'
import { type RoofPlane } from '../roof/plane'
import { type Slot } from './lay'
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

/** Under the face that the modules of a row make: what stops light is a little behind it, m. */
const behindFaceM = 0.04
/** Modules of a row nearer than this to each other stop light as one, m. */
const togetherM = 0.25

type Corners = readonly [Vec3, Vec3, Vec3, Vec3]

/** Lower left, lower right, upper right and upper left of a slot as it stands on its row. */
const standingCorners = ({ corners: [a, b, c, d], orientation }: Slot): Corners =>
  orientation === 'portrait' ? [a, b, c, d] : [d, a, b, c]

/** Faces of tilted rows, each from its first module to its last, parted where something is between. */
export function rowFaces(slots: readonly Slot[]): Corners[] {
  const faces: { row: string; corners: [Vec3, Vec3, Vec3, Vec3] }[] = []
  for (const slot of slots) {
    const row = slot.key.split(':')[0] ?? ''
    const corners = standingCorners(slot)
    const last = faces.at(-1)
    const gap = last ? sub3(corners[0], last.corners[1]) : null
    if (last?.row === row && gap && Math.hypot(...gap) < togetherM) {
      last.corners[1] = corners[1]
      last.corners[2] = corners[2]
    } else faces.push({ row, corners: [...corners] })
  }
  return faces.map(({ corners }) => corners)
}

/** What of tilted rows stops light: from their faces down to the roof. @param liftM of their lower edges */
export const rowSolids = (faces: readonly Corners[], liftM: number): SolidBody[] =>
  faces.flatMap((face) => {
    const lid = face.map(([x, y, z]): Vec3 => [x, y, z - behindFaceM])
    return columnsUnder(lid, Math.min(...lid.map(([, , z]) => z)) - Math.max(0, liftM - behindFaceM))
  })
