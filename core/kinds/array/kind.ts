import { ringsOfRows } from '../../layout/lay-rows'
import { planOf, type RoofPlane } from '../../roof/plane'
import { setbacksOn } from '../../setbacks/edges'
import { faceOf, keepOutsOn } from '../below'
import { type Kind } from '../kind'
import { standing, type Below, type Claim, type KeepOut } from '../standing'
import { arrayMigrations, arraySchema, arrayVersion, type PanelArray } from './array'
import { arrayGeometry, type ArrayReads, type ArrayShape } from './geometry'
import { movedPart } from './part'
import { checkPart, draggedPart, lieOf, partGrips, withoutCorner } from './part-grips'
import { asSetback, setbackGrips } from './setback-grips'

const laid = standing<PanelArray, 'name' | 'removed', ArrayReads | null>({
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
})

export const arrayKind: Kind<PanelArray> = {
  kind: 'array',
  document: 'option',
  schema: arraySchema,
  version: arrayVersion,
  migrations: arrayMigrations,
  singles: null,
  standing: {
    ...laid,
    // Where rows stand up, what is taken out of them throws no shadow; elsewhere its place changes nothing in space.
    shape: (array) => ({
      ...(laid.shape(array) as ArrayShape),
      ...(array.tilt && array.removed.length > 0 ? { emptied: array.removed } : {}),
    }),
  },
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

/** A field that is filled is to leave rows their room, and a plane that is filled leaves it to both. */
function claimsOf(array: ArrayShape, removed: readonly string[], below: Below): Claim[] {
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
): ArrayReads['taken'] {
  const here = claimed.filter(
    (claim) => claim.volumeId === volumeId && claim.edgeIndex === edgeIndex && claim.step === step,
  )
  return here.some(({ ring }) => ring === null) ? 'all' : here.flatMap(({ ring }) => (ring ? [ring] : []))
}
