import { type Vec3 } from '../geometry/vector'
import { type KindName } from '../kinds/index'
import { type Geometry, type Margins, type ModuleField } from '../kinds/standing'
import { type Slot } from '../layout/lay'
import { type Fault } from '../model/fault'
import { type RoofPlane } from '../roof/plane'

/** An object of the documents as it stands in space. */
export interface StandingObject {
  readonly id: string
  readonly kind: KindName
  /** Tells what of it stops light apart from everything else. */
  readonly key: string
  /** As it is seen: roofs that meet are cut by each other. */
  readonly geometry: Geometry
  /** As it was built: what things stand on, modules are laid on and grips are on. */
  readonly whole: Geometry
}

/** One module, or a place for one. */
export interface Panel {
  /** "array/row:column" */
  readonly id: string
  readonly arrayId: string
  /** "row:column" */
  readonly slot: string
  readonly corners: readonly [Vec3, Vec3, Vec3, Vec3]
  readonly orientation: 'portrait' | 'landscape'
}

/** The modules of one object that carries some. */
export interface LaidArray {
  readonly id: string
  readonly plane: ModuleField['plane']
  readonly tracker: ModuleField['tracker']
  /** What the modules keep off on it; null where they stand by themselves. */
  readonly margins: Margins | null
  /** Air behind the modules, m; null where they stand in the open. */
  readonly airGapM: number | null
  /** All places that modules fit in, taken or not. */
  readonly places: readonly Panel[]
  readonly panels: readonly Panel[]
  /** Places where a module would fit but was taken away. */
  readonly empty: readonly Panel[]
  /** Places set out by hand that no module fits in. */
  readonly unfit: readonly Panel[]
}

/** The whole job as geometry: what the stage, tools, shade, layout and drawings look at. */
export interface Site {
  /** In the order they were built. */
  readonly objects: readonly StandingObject[]
  readonly arrays: readonly LaidArray[]
  /** Modules that face one way: an array, or of an array of pairs one side and then the other, in the arrays' order. */
  readonly faces: readonly LaidArray[]
  /** Objects that carry modules but have lost the plane they lie on. */
  readonly orphaned: readonly string[]
  /** Objects that could not be built as they are meant. */
  readonly faults: readonly { readonly id: string; readonly fault: Fault }[]
}

export const emptySite: Site = { objects: [], arrays: [], faces: [], orphaned: [], faults: [] }

/** A standing object that may carry modules. */
export interface Built extends Omit<StandingObject, 'whole'> {
  /** Left out where nothing cuts it. */
  readonly whole?: Geometry
  /** Null for a kind that carries none. */
  readonly carries: { readonly airGapM: number | null; readonly removed: readonly string[] } | null
}

/**
 * Puts objects together that were built one by one.
 * @param canLay whether there is a module to be laid; without one nothing is orphaned
 */
export function assembleSite(built: readonly Built[], canLay: boolean): Site {
  const arrays: LaidArray[] = []
  const faces: LaidArray[] = []
  const orphaned: string[] = []
  for (const { id, geometry, carries } of built) {
    if (!carries) continue
    const { field } = geometry
    if (field) {
      const sides = [field, ...(field.opposite ? [{ ...field, ...field.opposite, unfit: [] }] : [])].map(
        (side) => laidArray(id, side, carries),
      )
      faces.push(...sides)
      arrays.push(togetherAs(sides))
    } else if (canLay) orphaned.push(id)
  }
  return {
    objects: built.map(({ id, kind, key, geometry, whole = geometry }) => ({
      id,
      kind,
      key,
      geometry,
      whole,
    })),
    arrays,
    faces,
    orphaned,
    faults: built.flatMap(({ id, geometry: { fault } }) => (fault ? [{ id, fault }] : [])),
  }
}

/** Both sides of an array as one; it faces where its first side does. */
function togetherAs(sides: readonly LaidArray[]): LaidArray {
  const [first, ...others] = sides
  if (!first) throw new RangeError('an array has a side')
  if (others.length === 0) return first
  return {
    ...first,
    places: sides.flatMap(({ places }) => places),
    panels: sides.flatMap(({ panels }) => panels),
    empty: sides.flatMap(({ empty }) => empty),
    unfit: sides.flatMap(({ unfit }) => unfit),
  }
}

function laidArray(
  id: string,
  { plane, slots, unfit = [], tracker, margins }: ModuleField,
  { airGapM, removed }: NonNullable<Built['carries']>,
): LaidArray {
  const gone = new Set(removed)
  const panelAt = ({ key, corners, orientation }: Slot): Panel => ({
    id: `${id}/${key}`,
    arrayId: id,
    slot: key,
    corners,
    orientation,
  })
  const places = slots.map(panelAt)
  return {
    id,
    plane,
    tracker,
    margins: margins ?? null,
    airGapM,
    places,
    panels: places.filter(({ slot }) => !gone.has(slot)),
    empty: places.filter(({ slot }) => gone.has(slot)),
    unfit: unfit.map(panelAt).filter(({ slot }) => !gone.has(slot)),
  }
}

/** The site without some of its objects, as it is looked at; the same where none of them is there. */
export function withoutObjects(site: Site, ids: ReadonlySet<string>): Site {
  const objects = site.objects.filter(({ id }) => !ids.has(id))
  return objects.length === site.objects.length
    ? site
    : {
        ...site,
        objects,
        arrays: site.arrays.filter(({ id }) => !ids.has(id)),
        faces: site.faces.filter(({ id }) => !ids.has(id)),
      }
}

/** Whether an object has roof planes of the customer's. */
export const isRoofed = ({ geometry: { faces, faded } }: Pick<StandingObject, 'geometry'>): boolean =>
  faces.length > 0 && !faded

/** An object of the site by its id. */
export const standingById = (site: Site, id: string): StandingObject | undefined =>
  site.objects.find((object) => object.id === id)

/** Whether two planes are the same one, as they were built. */
export const isSamePlane = (a: RoofPlane, b: RoofPlane): boolean =>
  a.edgeIndex === b.edgeIndex &&
  a.step === b.step &&
  a.corners.length === b.corners.length &&
  a.corners.every((corner, i) => corner.every((value, axis) => value === b.corners[i]?.[axis]))

/** What arrays keep off on their planes, those that have it in common told once. */
export function distinctMargins(arrays: readonly LaidArray[]): Margins[] {
  const told = new Map<string, Margins>()
  for (const { margins } of arrays) {
    if (!margins) continue
    const { plane, setbacksM, within } = margins
    const key = JSON.stringify([plane.corners, setbacksM, within])
    if (!told.has(key)) told.set(key, margins)
  }
  return [...told.values()]
}

/** All modules. */
export const panelsOf = (site: Site): readonly Panel[] => site.arrays.flatMap((array) => array.panels)
