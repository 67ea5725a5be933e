import { type Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { type Below, emptyGeometry, type Geometry, type Rank, type Standing } from '../kinds/standing'
import { coverId } from '../kinds/cover/cover'
import { type AnyObject, type KindName, kindNamed, kindOf } from '../kinds/index'
import { houseAsAltered } from './alterations'
import { modulesFor, type Design } from './world'

/** Something that stands in space, as its geometry is built from it. */
interface Shaped {
  readonly id: string
  readonly kind: KindName
  readonly shape: unknown
  /** Places that it leaves to others of its rank; of those alone that claim any. */
  readonly removed?: readonly string[]
}

/** What modules are laid with; the module is null while none of the catalogue is chosen. */
export function layingIn(design: Design): Pick<Below, 'module' | 'setbacksM'> {
  const cover = design.option[coverId]
  if (cover?.kind !== 'cover')
    return { module: null, setbacksM: { eave: 0, ridge: 0, hip: 0, valley: 0, rake: 0, wall: 0, flat: null } }
  const module = modulesFor(design).find(({ id }) => id === cover.moduleId)
  return {
    module: module ? { widthM: module.widthM, lengthM: module.lengthM } : null,
    setbacksM: cover.setbacksM,
  }
}

/** The objects of a rank, in the order they stand in their documents, the house's first. */
export const objectsOfRank = ({ house, option }: Pick<Design, 'house' | 'option'>, rank: Rank): AnyObject[] =>
  [...houseAsAltered({ house, option }), ...Object.values(option)].filter(
    (object) => kindNamed(object.kind).standing?.rank === rank,
  )

const shapesOfRank = (design: Design, rank: Rank): Shaped[] =>
  objectsOfRank(design, rank).map((object) => {
    const { standing } = kindOf(object)
    return {
      id: object.id,
      kind: object.kind,
      shape: standing?.shape(object),
      ...(standing?.claims && standing.carrier ? { removed: standing.carrier.removed(object) } : {}),
    }
  })

const standingOf = (kind: KindName): Standing<AnyObject> => {
  const { standing } = kindNamed(kind)
  if (!standing) throw new RangeError(`${kind} stands nowhere`)
  return standing
}

/** Geometries beside the ids of their objects. */
const withIds = (shaped: readonly Shaped[], built: readonly Keyed<Geometry>[]): Below['objects'] =>
  shaped.map(({ id }, i) => ({ id, geometry: built[i]?.value ?? emptyGeometry }))

const build = ({ kind, shape, reads }: { kind: KindName; shape: unknown; reads: unknown }): Geometry =>
  standingOf(kind).build(shape, reads)

const version = 4

/** An item's key holds the shape and what it found around it; neither id nor name. */
const itemsOf = (shaped: readonly Shaped[], below: Below) =>
  shaped.map(({ kind, shape }) => ({ kind, shape, reads: standingOf(kind).reads(shape, below) }))

/** The same of those that claim room from each other: what goes before one of them is claimed from it. */
function claimingItemsOf(shaped: readonly Shaped[], below: Below) {
  const claims = shaped.map(
    ({ kind, shape, removed = [] }) => standingOf(kind).claims?.(shape, removed, below) ?? [],
  )
  return shaped.flatMap((one, at) => {
    const order = claims[at]?.[0]?.order ?? 0
    const before = claims.flatMap((others, k) =>
      k === at ? [] : others.filter((claim) => claim.order < order || (claim.order === order && k < at)),
    )
    return itemsOf([one], before.length > 0 ? { ...below, claimed: before } : below)
  })
}

/** Corners, solids and crowns: a few dozen numbers each. */
const geometryBytes = (geometry: Geometry): number =>
  2_000 +
  1_500 * (geometry.surfaces.length + geometry.solids.length) +
  400 * ((geometry.field?.slots.length ?? 0) + (geometry.field?.unfit?.length ?? 0))

/** Buildings and trees: what stands by itself. */
export const groundStage: Stage<Design, readonly Keyed<Geometry>[]> = itemStage({
  name: 'ground objects',
  version,
  after: {},
  reads: (design: Design) => ({ shaped: shapesOfRank(design, 'ground'), ...layingIn(design) }),
  each: ({ shaped, ...laying }) => itemsOf(shaped, { ...laying, objects: [] }),
  compute: build,
  bytes: geometryBytes,
})

/** What stands on a roof plane and has planes of its own. */
export const dormerStage: Stage<Design, readonly Keyed<Geometry>[]> = itemStage({
  name: 'dormers',
  version,
  after: { ground: groundStage },
  reads: (design: Design) => ({
    ground: shapesOfRank(design, 'ground'),
    shaped: shapesOfRank(design, 'dormer'),
    ...layingIn(design),
  }),
  each: ({ ground: shapes, shaped, ...laying }, { ground }) =>
    itemsOf(shaped, { ...laying, objects: withIds(shapes, ground.value) }),
  compute: build,
  bytes: geometryBytes,
})

/** What stands on roofs. */
export const roofStage: Stage<Design, readonly Keyed<Geometry>[]> = itemStage({
  name: 'roof objects',
  version,
  after: { ground: groundStage, dormers: dormerStage },
  reads: (design: Design) => ({
    ground: shapesOfRank(design, 'ground'),
    dormers: shapesOfRank(design, 'dormer'),
    shaped: shapesOfRank(design, 'roof'),
    ...layingIn(design),
  }),
  each: ({ ground: groundShapes, dormers: dormerShapes, shaped, ...laying }, { ground, dormers }) =>
    itemsOf(shaped, {
      ...laying,
      objects: [...withIds(groundShapes, ground.value), ...withIds(dormerShapes, dormers.value)],
    }),
  compute: build,
  bytes: geometryBytes,
})

/** Where modules can lie. */
export const fieldStage: Stage<Design, readonly Keyed<Geometry>[]> = itemStage({
  name: 'fields',
  version,
  after: { ground: groundStage, dormers: dormerStage, roof: roofStage },
  reads: (design: Design) => ({
    ground: shapesOfRank(design, 'ground'),
    dormers: shapesOfRank(design, 'dormer'),
    roof: shapesOfRank(design, 'roof'),
    shaped: shapesOfRank(design, 'field'),
    ...layingIn(design),
  }),
  each: (
    { ground: groundShapes, dormers: dormerShapes, roof: roofShapes, shaped, ...laying },
    { ground, dormers, roof },
  ) =>
    claimingItemsOf(shaped, {
      ...laying,
      objects: [
        ...withIds(groundShapes, ground.value),
        ...withIds(dormerShapes, dormers.value),
        ...withIds(roofShapes, roof.value),
      ],
    }),
  compute: build,
  bytes: geometryBytes,
})
