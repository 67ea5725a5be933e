import { type CrownBody, type SolidBody } from '../geometry/body'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { type LayRequest, type Slot } from '../layout/lay'
import { type Fault } from '../model/fault'
import { type ObjectBase } from '../model/object-base'
import { type RoofPlane } from '../roof/plane'
import { type EdgeKey, type Setbacks } from '../setbacks/edges'
import { type Tracker } from '../sun/tracker'
import { type Alteration } from './alteration/alteration'

/** A footprint in plan that modules keep off, with the strip kept free around it. */
export interface KeepOut {
  readonly base: readonly Vec2[]
  readonly clearanceM: number
  /** Of what counts only where it rises over a plane: its top. Null counts everywhere. */
  readonly topM: number | null
  /** Where its roof meets the plane in a valley, that setback counts in the place of the strip. */
  readonly endsInValleys?: true
  /** Of walls: the setback from walls counts in the place of the strip. */
  readonly wall?: true
}

/** What a surface is made of, for whoever paints it; `open` is only taken hold of, and seen through. */
export type Tone = 'roof' | 'wall' | 'obstruction' | 'frame' | 'glass' | 'open'

/** A flat piece that is drawn and can be picked. */
export interface Surface {
  readonly corners: readonly Vec3[]
  /** Openings in it. */
  readonly holes?: readonly (readonly Vec3[])[]
  readonly tone: Tone
  /** The face it shows, by the face's id. */
  readonly face?: string
}

/**
 * What a drawn line is: where two faces of a roof meet, a corner or the foot of a wall, another edge, a thin post, a measure,
 * where something was measured (for the team alone, in no drawing), the border of a walkway, a line of the lot, hatching.
 */
export type StrokeKind =
  | RoofPlane['edges'][number]['kind']
  | 'corner'
  | 'foot'
  | 'edge'
  | 'post'
  | 'measure'
  | 'mark'
  | 'walkway'
  | 'lot'
  | 'hatch'

/** A line that is drawn. */
export interface Stroke {
  readonly from: Vec3
  readonly to: Vec3
  readonly is: StrokeKind
}

/** An upright pole from the ground, such as a trunk. */
export interface Pole {
  readonly at: Vec2
  readonly topM: number
  readonly bottomRadiusM: number
  readonly topRadiusM: number
}

/** A filled outline of the picture from above. */
export interface PlanShape {
  readonly points: readonly Vec2[]
  readonly tone: 'roof' | 'shaded' | 'neighbour' | 'tree' | 'obstruction' | 'panel'
}

/** Places for modules on one plane. */
export interface ModuleField {
  /** What the modules lie on: a roof's plane, or the face of a rack as it is drawn. */
  readonly plane: Pick<RoofPlane, 'normal' | 'pitchDeg' | 'azimuthDeg'>
  readonly slots: readonly Slot[]
  /** Places set out by hand that reach over what modules keep off; left out where there are none. */
  readonly unfit?: readonly Slot[]
  /** The other side of rows that stand in pairs; left out where all modules face one way. */
  readonly opposite?: Pick<ModuleField, 'plane' | 'slots'>
  /** How it turns after the sun; null where it does not. */
  readonly tracker: Tracker | null
  /** What the modules keep off; left out where they stand by themselves. */
  readonly margins?: Margins
}

/** The plane modules lie on, how far they keep from each of its edges and from each other, and what they keep off on it. */
export interface Margins extends Pick<LayRequest, 'setbacksM' | 'obstructions' | 'within' | 'gapM'> {
  readonly plane: RoofPlane
}

/**
 * What an object is in space. It knows neither its id nor its name, so that the same shape is built once, whatever it
 * is called.
 */
export interface Geometry {
  /** What stops light, and what lets a share of it through. */
  readonly solids: readonly SolidBody[]
  readonly crowns: readonly CrownBody[]
  readonly keepOuts: readonly KeepOut[]
  /** Planes that modules can lie on and other things stand on. */
  readonly faces: readonly RoofPlane[]
  readonly surfaces: readonly Surface[]
  readonly strokes: readonly Stroke[]
  readonly poles: readonly Pole[]
  readonly plan: readonly PlanShape[]
  /** Points of the plan that a view of the whole job takes in. */
  readonly frame: readonly Vec2[]
  readonly field: ModuleField | null
  /** Its highest point over the site's ground. */
  readonly topM: number
  /** Its own height as long as that is the one it was put up with; null once somebody has set another. */
  readonly presetM: number | null
  /** Drawn in the background. */
  readonly faded: boolean
  /** Why it could not be built as it is meant; what can be shown of it is. */
  readonly fault: Fault | null
}

export const emptyGeometry: Geometry = {
  solids: [],
  crowns: [],
  keepOuts: [],
  faces: [],
  surfaces: [],
  strokes: [],
  poles: [],
  plan: [],
  frame: [],
  field: null,
  topM: 0,
  presetM: null,
  faded: false,
  fault: null,
}

/** Size of the module that is laid. */
export interface ModuleSize {
  readonly widthM: number
  readonly lengthM: number
}

/** What has been built before: what things stand on and keep clear of. */
export interface Below {
  readonly objects: readonly { readonly id: string; readonly geometry: Geometry }[]
  /** Null while no module is chosen. */
  readonly module: ModuleSize | null
  readonly setbacksM: Setbacks
  /** What those of the same rank that go before it have claimed; nothing in other ranks. */
  readonly claimed?: readonly Claim[]
}

/** Room on a plane that one object keeps from others of its rank. */
export interface Claim {
  readonly volumeId: string
  readonly edgeIndex: number
  readonly step: number
  /** In the plane's own frame, m; null for the whole of the plane. */
  readonly ring: readonly Vec2[] | null
  /** Lower ones go before higher ones, earlier objects before later ones. */
  readonly order: number
}

/** A grip on a selected object. */
export interface Handle {
  /** What it changes; has a word in every language. */
  readonly name: string
  readonly index: number
  readonly at: Vec3
  /**
   * `up`: along the upright through it; `level`: over its level, with snapping; `width`: over its level, freely; `along`:
   * on its line; `plane`: over the plane of its line, with snapping to what lies there.
   */
  readonly moves: 'up' | 'level' | 'width' | 'along' | 'plane'
  /** Of one that moves along: where that is counted from, the way it is counted (a unit), and the plane the hand is on. */
  readonly line?: { readonly origin: Vec3; readonly direction: Vec3; readonly normal: Vec3 }
  /** Of one that moves over a plane: what it takes along, from the grip, as far as it counts for snapping, m. */
  readonly spans?: { readonly u: readonly number[]; readonly v: readonly number[] }
  /** Of one that counts: how far it goes for one more, m, and the way it goes (a unit). */
  readonly stepM?: number
  readonly aim?: Vec3
  /** The edge of a plane whose setback it drags. */
  readonly edge?: EdgeKey
  /** Corners that a right angle or a straight line is sought with. */
  readonly beside?: readonly Vec2[]
  /** `own`: it is the corner of its index, which can be taken out; `new`: dragging it sets one into the side of its index. */
  readonly corner?: 'own' | 'new'
  /** Moves the whole object and what stands on it. */
  readonly whole?: true
}

/** A corner more or less. */
export interface Reshape<T> {
  readonly fields: Partial<T>
  /** What number a side has afterwards; one that is gone has become part of the one before it. */
  readonly sideAfter: (side: number) => number
}

/** How corners are set into an object and taken out again. */
export interface Corners<T> {
  /** Null where dragging a grip over a plane does it. @param side from corner `side` to the next */
  readonly insert: ((object: T, side: number, at: Vec2) => Reshape<T>) | null
  /** Null where too few would be left. */
  readonly remove: (object: T, corner: number) => Reshape<T> | null
}

/** Where a handle was dragged to. */
export interface Drag {
  /** On the upright through the handle's first place. */
  readonly heightM: number
  /** On the handle's level; null where the sight runs beside it. */
  readonly at: Vec2 | null
  /** On the handle's line, m from its origin; none where it has no line, or the sight runs beside its plane. */
  readonly alongM?: number | null
  /** Of a handle that moves over a plane: from its first place, m along the eave and up the slope; null beside the plane. */
  readonly byM?: Vec2 | null
}

/** Where an object stands in the order of building: later ones stand on, or keep clear of, earlier ones. */
export const ranks = ['ground', 'dormer', 'roof', 'field'] as const
export type Rank = (typeof ranks)[number]

/** How an object is moved as a whole. */
export interface Movement<T> {
  readonly middle: (object: T) => Vec2
  /** @returns the fields to set; the caller keeps the place inside the world. */
  readonly to: (object: T, middle: Vec2) => Partial<T>
  /**
   * `level`: at the height it was taken at; `faces`: over the roof planes under the pointer; `grip`: level, by its grip
   * alone, so that a hand that only turns the view moves no house.
   */
  readonly along: 'level' | 'faces' | 'grip'
  /** Turned over about its middle; left out by what is the same on both sides. */
  readonly mirrored?: (object: T, axis: MirrorAxis) => Reshape<T>
  /** Turned about a point, clockwise as the compass counts; left out by what only goes to another place. */
  readonly turned?: (object: T, about: Vec2, clockwiseDeg: number) => Partial<T>
}

/** What a mirror changes about: east and west, or north and south. */
export type MirrorAxis = 'east-west' | 'north-south'

/** Of a kind that carries modules. */
export interface Carrier<T> {
  /** From what is below to the modules, m; null where they stand in the open. */
  readonly airGapM: (object: T) => number | null
  /** Places left empty. */
  readonly removed: (object: T) => readonly string[]
  readonly withRemoved: (object: T, removed: readonly string[]) => Partial<T>
  /** What it lies on; null where it stands by itself. */
  readonly liesOn: (object: T) => string | null
  /** The same on another such thing. */
  readonly laidOn: (object: T, ownerId: string) => Partial<T>
  /** Stays on its plane when the sides of what it lies on get other numbers. */
  readonly renumbered?: (object: T, ownerId: string, sideAfter: (side: number) => number) => Partial<T>
}

/** How an option tries a thing of the house otherwise than it stands. */
export interface Altered<T> {
  /** What it can try, in the order it is offered. */
  readonly ways: readonly Alteration['what'][]
  /** The thing as the option has it; null where it is gone, the very one where that changes nothing. */
  readonly as: (object: T, alteration: Pick<Alteration, 'what' | 'heightM' | 'years'>) => T | null
}

/** A thing that can be taken away, and no more. */
export const removable = { ways: ['gone'], as: () => null } as const satisfies Altered<unknown>

/** What a kind of object is in space, and how hands change it. */
export interface Standing<T extends ObjectBase> {
  readonly rank: Rank
  /** The fields that the geometry is built from: plain data, never a name. */
  readonly shape: (object: T) => unknown
  /** What the shape finds of those built before it: plain data. */
  readonly reads: (shape: unknown, below: Below) => unknown
  /** The room it keeps from others of its rank, less its places left empty; left out by what leaves them theirs. */
  readonly claims?: (shape: unknown, removed: readonly string[], below: Below) => readonly Claim[]
  readonly build: (shape: unknown, reads: unknown) => Geometry
  readonly handles: (object: T, geometry: Geometry) => readonly Handle[]
  readonly drag: (object: T, handle: Handle, to: Drag) => Partial<T>
  /** @throws Fault for what a gesture must not end with, although its fields are allowed one by one */
  readonly check: (object: T) => void
  readonly move: Movement<T> | null
  /** A step on the plane it lies on, m along the eave and up the slope; left out by what is moved over the plan. */
  readonly shifted?: (object: T, by: Vec2) => Partial<T>
  readonly carrier: Carrier<T> | null
  /** Its roof and others that it reaches into are seen as one. */
  readonly joins?: true
  /** Points by which it belongs to others: with all of them on what is moved it goes along. */
  readonly holds?: (object: T) => readonly Vec2[]
  /** Left out by what has no corners of its own. */
  readonly corners?: Corners<T>
  /** The field of its own height, m, of what is put up with a usual one; see `Geometry.presetM`. */
  readonly height?: keyof T & string
  /** Left out by what an option has to take as it stands. */
  readonly altered?: Altered<T>
}

/** A `Standing` with its own types inside. `ignores` names the fields that its geometry does not depend on. */
interface StandingOf<T extends ObjectBase, I extends keyof T, R> extends Pick<
  Standing<T>,
  | 'rank'
  | 'handles'
  | 'drag'
  | 'check'
  | 'move'
  | 'shifted'
  | 'carrier'
  | 'joins'
  | 'holds'
  | 'corners'
  | 'height'
  | 'altered'
> {
  readonly ignores: readonly I[]
  readonly reads: (shape: Omit<T, I | 'id'>, below: Below) => R
  readonly claims?: (shape: Omit<T, I | 'id'>, removed: readonly string[], below: Below) => readonly Claim[]
  readonly build: (shape: Omit<T, I | 'id'>, reads: R) => Geometry
}

/** The geometry gets a copy without the ignored fields, so that it can't read what its key does not hold. */
export function standing<T extends ObjectBase, I extends keyof T, R>(own: StandingOf<T, I, R>): Standing<T> {
  const left = new Set<PropertyKey>(['id', 'locked', ...own.ignores])
  const { claims, ...rest } = own
  return {
    ...rest,
    ...(claims
      ? { claims: (shape, removed, below) => claims(shape as Omit<T, I | 'id'>, removed, below) }
      : {}),
    shape: (object) => Object.fromEntries(Object.entries(object).filter(([field]) => !left.has(field))),
    // Shapes and reads come back as they were given: one cast at the one door.
    reads: (shape, below) => own.reads(shape as Omit<T, I | 'id'>, below),
    build: (shape, reads) => own.build(shape as Omit<T, I | 'id'>, reads as R),
  }
}

export const noHandles = () => []
export const noDrag = () => ({})
export const noCheck = () => undefined
