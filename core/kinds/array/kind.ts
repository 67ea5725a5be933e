import { type Vec2, type Vec3 } from '../../geometry/vector'
import { layOnPlane } from '../../layout/lay'
import { layRows, ringsOfRows } from '../../layout/lay-rows'
import { frameOf, turnedFrame } from '../../layout/plane-frame'
import { rowFaces, rowSolids, tiltedPlane } from '../../layout/tilt'
import { planeHeightM, planOf, type RoofPlane } from '../../roof/plane'
import { faceOf, keepOutsOn } from '../below'
import {
  emptyGeometry,
  standing,
  type Below,
  type Claim,
  type Geometry,
  type KeepOut,
  type ModuleSize,
  type Stroke,
} from '../standing'
import { type Kind } from '../kind'
import { setbacksOn } from '../../setbacks/edges'
import { checkPart, draggedPart, lieOf, partGrips, withoutCorner } from './part-grips'
import { asSetback, setbackGrips } from './setback-grips'
import { movedPart } from './part'
import { arrayMigrations, arraySchema, arrayVersion, type PanelArray } from './array'

/** What an array finds where it is laid; null where its plane is gone or no module is chosen. */
interface Reads {
  readonly plane: RoofPlane
  readonly setbacksM: readonly number[]
  readonly keepOuts: readonly Pick<KeepOut, 'base' | 'clearanceM'>[]
  readonly module: ModuleSize
  /** What other arrays have of the plane; `all` of it where one fills it. */
  readonly taken: readonly (readonly Vec2[])[] | 'all'
}

type Shape = Omit<PanelArray, 'id' | 'name' | 'locked' | 'removed'>

export const arrayKind: Kind<PanelArray> = {
  kind: 'array',
  document: 'option',
  schema: arraySchema,
  version: arrayVersion,
  migrations: arrayMigrations,
  singles: null,
  standing: standing<PanelArray, 'name' | 'removed', Reads | null>({
    rank: 'field',
    ignores: ['name', 'removed'],
    reads: ({ volumeId, edgeIndex, step, edgesM }, below) => {
      const plane = faceOf(below, volumeId, edgeIndex, step)
      const { module } = below
      if (!plane || !module) return null
      return {
        plane,
        setbacksM: setbacksOn(below.setbacksM, plane, edgesM),
        keepOuts: keepOutsOn(below, volumeId, plane)
          .filter((keepOut) => mayMeet(plane, keepOut))
          .map(({ base, clearanceM }) => ({ base, clearanceM })),
        module: { widthM: module.widthM, lengthM: module.lengthM },
        taken: takenOf(below.claimed ?? [], { volumeId, edgeIndex, step }),
      }
    },
    claims: claimsOf,
    build: arrayGeometry,
    handles: (array, geometry) =>
      array.part ? partGrips(array.part, array, geometry) : setbackGrips(geometry),
    drag: (array, handle, { alongM, byM }) => {
      if (array.part) return byM ? draggedPart(array, array.part, handle, byM) : {}
      const { edge } = handle
      return typeof alongM !== 'number' || edge === undefined
        ? {}
        : { edgesM: { ...array.edgesM, [edge]: asSetback(alongM) } }
    },
    check: checkPart,
    move: null,
    shifted: ({ part }, by) => (part ? { part: movedPart(part, by) } : {}),
    corners: { insert: null, remove: ({ part }, corner) => withoutCorner(part, corner) },
    carrier: {
      airGapM: ({ liftM, tilt }) => (tilt ? null : liftM),
      removed: (array) => array.removed,
      withRemoved: (_array, removed) => ({ removed }),
      liesOn: ({ volumeId }) => volumeId,
      laidOn: (_array, volumeId) => ({ volumeId }),
      renumbered: ({ volumeId, edgeIndex }, ownerId, sideAfter) =>
        volumeId === ownerId ? { edgeIndex: sideAfter(edgeIndex) } : {},
    },
  }),
  parts: ({ id }, { panelsOn, moduleId }) => [{ what: 'module', typeId: moduleId, count: panelsOn(id) }],
}

/** Whether an obstruction may keep modules off the plane; distances on the plane are no less than in plan. */
function mayMeet({ corners }: RoofPlane, { base, clearanceM }: KeepOut): boolean {
  const plan = planOf(corners)
  return ([0, 1] as const).every((axis) => {
    const [own, other] = [plan.map((p) => p[axis]), base.map((p) => p[axis])]
    return (
      Math.min(...other) - clearanceM <= Math.max(...own) &&
      Math.max(...other) + clearanceM >= Math.min(...own)
    )
  })
}

/** From a raised corner straight down to the roof. */
const postUnder = (plane: RoofPlane, [x, y, z]: Vec3): Stroke => ({
  from: [x, y, Math.min(z, planeHeightM(plane, [x, y]))],
  to: [x, y, z],
  is: 'post',
})

/** A field that is filled is to leave rows their room, and a plane that is filled leaves it to both. */
function claimsOf(array: Shape, removed: readonly string[], below: Below): Claim[] {
  const { volumeId, edgeIndex, step, part } = array
  const claim = (ring: Claim['ring'], order: number): Claim => ({ volumeId, edgeIndex, step, ring, order })
  if (!part) return [claim(null, 2)]
  if (part.is === 'field') return [claim(part.corners, 1)]
  const plane = faceOf(below, volumeId, edgeIndex, step)
  const { module } = below
  return plane && module
    ? ringsOfRows({ ...array, ...part, plane, module, orientation: lieOf(array) }, removed).map((ring) =>
        claim(ring, 0),
      )
    : []
}

function takenOf(
  claimed: readonly Claim[],
  { volumeId, edgeIndex, step }: Pick<PanelArray, 'volumeId' | 'edgeIndex' | 'step'>,
): Reads['taken'] {
  const here = claimed.filter(
    (claim) => claim.volumeId === volumeId && claim.edgeIndex === edgeIndex && claim.step === step,
  )
  return here.some(({ ring }) => ring === null) ? 'all' : here.flatMap(({ ring }) => (ring ? [ring] : []))
}

function arrayGeometry(array: Shape, reads: Reads | null): Geometry {
  if (!reads) return emptyGeometry
  const { plane, setbacksM, keepOuts, module, taken } = reads
  const { gapM, liftM, turnDeg, tilt, pattern, part } = array
  const request = {
    plane,
    setbacksM,
    obstructions: keepOuts,
    module,
    gapM,
    liftM,
    ...(turnDeg === undefined ? {} : { turnDeg }),
    ...(tilt ? { tilt } : {}),
    taken: taken === 'all' ? [] : taken.map((ring) => ({ ring, clearanceM: gapM })),
  }
  const within = part?.is === 'field' ? { within: part.corners } : {}
  const { orientation } = array
  const { slots, unfit } =
    part?.is === 'rows'
      ? layRows({ ...request, ...part, orientation: lieOf(array) })
      : {
          slots: taken === 'all' ? [] : layOnPlane({ ...request, ...within, orientation, pattern }),
          unfit: [],
        }
  const { normal, pitchDeg, azimuthDeg } = tilt
    ? tiltedPlane(turnedFrame(frameOf(plane), turnDeg ?? 0), tilt)
    : plane
  const faces = tilt ? rowFaces(slots) : []
  return {
    ...emptyGeometry,
    // Whole whatever modules are taken out of them: a gap changes nobody's view.
    solids: rowSolids(faces, liftM),
    strokes: faces.flatMap(([, , c, d]) => [c, d].map((top) => postUnder(plane, top))),
    field: {
      plane: { normal, pitchDeg, azimuthDeg },
      slots,
      ...(unfit.length > 0 ? { unfit } : {}),
      tracker: null,
      margins: { plane, setbacksM, obstructions: keepOuts, gapM, ...within },
    },
  }
}
