import { columnsUnder, type SolidBody } from '../geometry/body'
import { sub3, type Vec3 } from '../geometry/vector'
import { type Slot } from './lay'

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
