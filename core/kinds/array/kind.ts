import { layOnPlane } from '../../layout/lay'
import { planOf, type RoofPlane } from '../../roof/plane'
import { faceOf, keepOutsOn } from '../below'
import { type ModuleSize, emptyGeometry, noCheck, standing, type Geometry, type KeepOut } from '../standing'
import { type Kind } from '../kind'
import { setbacksOn } from '../../setbacks/edges'
import { asSetback, setbackGrips } from './setback-grips'
import { arrayMigrations, arraySchema, arrayVersion, type PanelArray } from './array'

/** What an array finds where it is laid; null where its plane is gone or no module is chosen. */
interface Reads {
  readonly plane: RoofPlane
  readonly setbacksM: readonly number[]
  readonly keepOuts: readonly Pick<KeepOut, 'base' | 'clearanceM'>[]
  readonly module: ModuleSize
}

export const arrayKind: Kind<PanelArray> = {
  kind: 'array',
  document: 'option',
  schema: arraySchema,
  version: arrayVersion,
  migrations: arrayMigrations,
  singles: null,
  standing: standing<PanelArray, 'removed', Reads | null>({
    rank: 'field',
    ignores: ['removed'],
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
      }
    },
    build: arrayGeometry,
    handles: (_array, geometry) => setbackGrips(geometry),
    drag: ({ edgesM = {} }, { edge }, { alongM }) =>
      typeof alongM !== 'number' || edge === undefined
        ? {}
        : { edgesM: { ...edgesM, [edge]: asSetback(alongM) } },
    check: noCheck,
    move: null,
    carrier: {
      airGapM: (array) => array.liftM,
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

function arrayGeometry(
  { gapM, orientation, pattern, liftM }: Pick<PanelArray, 'gapM' | 'orientation' | 'pattern' | 'liftM'>,
  reads: Reads | null,
): Geometry {
  if (!reads) return emptyGeometry
  const { plane, setbacksM, keepOuts, module } = reads
  const slots = layOnPlane({
    plane,
    setbacksM,
    obstructions: keepOuts,
    module,
    gapM,
    orientation,
    pattern,
    liftM,
  })
  const { normal, pitchDeg, azimuthDeg } = plane
  return {
    ...emptyGeometry,
    field: {
      plane: { normal, pitchDeg, azimuthDeg },
      slots,
      tracker: null,
      margins: { plane, setbacksM, obstructions: keepOuts },
    },
  }
}
