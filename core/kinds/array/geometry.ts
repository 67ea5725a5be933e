import { type Vec2, type Vec3 } from '../../geometry/vector'
import { laySides, type Sides, type Slot } from '../../layout/lay'
import { layRows } from '../../layout/lay-rows'
import { frameOf, turnedFrame } from '../../layout/plane-frame'
import { rowFaces, rowSolids } from '../../layout/row-faces'
import { isPaired, tiltedPlane } from '../../layout/tilt'
import { planeHeightM, type RoofPlane } from '../../roof/plane'
import {
  emptyGeometry,
  type Geometry,
  type KeepOut,
  type ModuleField,
  type ModuleSize,
  type Stroke,
} from '../standing'
import { type PanelArray } from './array'
import { lieOf } from './part-grips'

/** What an array finds where it is laid; null where its plane is gone or no module is chosen. */
export interface ArrayReads {
  readonly plane: RoofPlane
  readonly setbacksM: readonly number[]
  readonly keepOuts: readonly Pick<KeepOut, 'base' | 'clearanceM'>[]
  readonly module: ModuleSize
  /** What other arrays have of the plane; `all` of it where one fills it. */
  readonly taken: readonly (readonly Vec2[])[] | 'all'
}

export type ArrayShape = Omit<PanelArray, 'id' | 'name' | 'locked' | 'removed'> & {
  /** Places of rows that stand up with no module on them; left out where modules lie on the roof. */
  readonly emptied?: readonly string[]
}

/** Modules where an array lies, with what of them stops light where they are raised off a flat roof. */
export function arrayGeometry(array: ArrayShape, reads: ArrayReads | null): Geometry {
  if (!reads) return emptyGeometry
  const { plane, setbacksM, keepOuts } = reads
  const { gapM, liftM, turnDeg = 0, tilt, part } = array
  const { slots, opposite, unfit } = laidIn(array, reads)
  const frame = turnedFrame(frameOf(plane), turnDeg)
  const gone = new Set(array.emptied)
  const stands = ({ key }: Slot) => !gone.has(key)
  const faces = tilt ? [slots, opposite].flatMap((side) => rowFaces(side.filter(stands))) : []
  const faceOf = (side: 0 | 1): ModuleField['plane'] => {
    const { normal, pitchDeg, azimuthDeg } = tilt ? tiltedPlane(frame, tilt, side) : plane
    return { normal, pitchDeg, azimuthDeg }
  }
  return {
    ...emptyGeometry,
    solids: rowSolids(faces, liftM),
    strokes: faces.flatMap(([, , c, d]) => [c, d].map((top) => postUnder(plane, top))),
    field: {
      plane: faceOf(0),
      slots,
      ...(unfit.length > 0 ? { unfit } : {}),
      ...(isPaired(tilt) && opposite.length > 0 ? { opposite: { plane: faceOf(1), slots: opposite } } : {}),
      tracker: null,
      margins: {
        plane,
        setbacksM,
        obstructions: keepOuts,
        gapM,
        ...(part?.is === 'field' ? { within: part.corners } : {}),
      },
    },
  }
}

function laidIn(
  array: ArrayShape,
  { plane, setbacksM, keepOuts, module, taken }: ArrayReads,
): Sides & { readonly unfit: readonly Slot[] } {
  const { gapM, liftM, turnDeg, tilt, orientation, pattern, part } = array
  const request = {
    ...{ plane, setbacksM, obstructions: keepOuts, module, gapM, liftM },
    ...(turnDeg === undefined ? {} : { turnDeg }),
    ...(tilt ? { tilt } : {}),
    taken: taken === 'all' ? [] : taken.map((ring) => ({ ring, clearanceM: gapM })),
  }
  if (part?.is === 'rows') return layRows({ ...request, ...part, orientation: lieOf(array) })
  if (taken === 'all') return { slots: [], opposite: [], unfit: [] }
  const within = part ? { within: part.corners } : {}
  return { ...laySides({ ...request, ...within, orientation, pattern }), unfit: [] }
}

/** From a raised corner straight down to the roof. */
const postUnder = (plane: RoofPlane, [x, y, z]: Vec3): Stroke => ({
  from: [x, y, Math.min(z, planeHeightM(plane, [x, y]))],
  to: [x, y, z],
  is: 'post',
})
