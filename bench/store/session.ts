import { type PlaceName } from '@/core/cables/cable-plan'
import { createStore } from 'zustand/vanilla'
import { type FittedHouse } from '@/core/fit/fit'
import { type SunSpan } from '@/core/energy/sun-span'
import { type Objects } from '@/core/kinds/documents'
import { type Snap } from '@/core/geometry/snap'
import { type LatLon } from '@/core/geometry/geo'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { type PlaneFrame } from '@/core/layout/plane-frame'
import { type Words } from '@/words/words'
import { type Ranking } from '@/workers/messages'
import { type Step } from './documents'
import { type Selection } from './selection'

/** The places of the outline, and the tools; both have their words. */
export type Chapter = keyof Words['chapters']
export type ToolId = keyof Words['tools']

export type CarpetLayer = 'sun' | 'shade' | 'yield' | 'load' | 'net' | 'price' | 'battery'

/** What a tool shows while it works. */
export interface Sketch {
  /** The plane that points, pointer and snap are on, in its own coordinates; null on the ground. */
  readonly on: PlaneFrame | null
  readonly points: readonly Vec2[]
  readonly pointer: Vec2 | null
  /** A tape from end to end in space. */
  readonly tape: readonly [Vec3, Vec3] | null
  /** Points in space that were clicked. */
  readonly marks: readonly Vec3[]
  readonly snap: Snap | null
  /** Two corners of a box that is drawn round things, px of the stage. */
  readonly box: readonly [Vec2, Vec2] | null
  /** Typed so far. */
  readonly typed: string
  readonly message: string | null
}

export interface Toast {
  readonly id: number
  readonly text: string
  /** The step that its button takes back; null without one. */
  readonly step: Step | null
}

/** A point of the model, and outwards from the plane that it lies on; null where it lies on none. */
export interface LookFrom {
  readonly at: Vec3
  readonly normal: Vec3 | null
  /** The horizon reading that was taken there. */
  readonly reading?: string
}

/** What lives as long as the visit: never saved. */
export interface Session {
  readonly chapter: Chapter
  readonly tool: ToolId
  readonly selection: Selection | null
  /** Hovered on the stage or in a list. */
  readonly hover: string | null
  /** Lit up because something elsewhere is about them. */
  readonly lit: readonly string[]
  /** Left out of the picture, not of the figures. */
  readonly hidden: readonly string[]
  readonly optionId: string
  readonly plan: boolean
  /** Where the stage is looked at from, as `StageView.eye` tells it; null until somebody has turned it. */
  readonly camera: readonly number[] | null
  readonly sunMap: boolean
  /** Rails and attachments drawn on the modules. */
  readonly racking: boolean
  readonly sunSpan: SunSpan
  /** Sun access written on each module. */
  readonly accessLabels: boolean
  /** The point that the sun's ways are looked at from, and the plane it lies on; null for a module. */
  readonly lookFrom: LookFrom | null
  /** The list of checks is open and tells of heights that nobody has measured. */
  readonly checking: boolean
  readonly layer: CarpetLayer
  /** The one thing of the house whose consumption the carpet shows; null for all of it. */
  readonly loadPart: string | null
  /** Day 0..364 and local clock hours. */
  readonly day: number
  readonly hour: number
  readonly why: string | null
  /** What the tool for devices puts on a wall next; null for what is missing. */
  readonly placing: PlaceName | null
  readonly sketch: Sketch | null
  /** A house read from heights whose lines are drawn by, and the site it is in the frame of; null while none are shown. */
  readonly heights: { readonly house: FittedHouse; readonly at: LatLon } | null
  readonly toast: Toast | null
  readonly leftFolded: boolean
  readonly rightFolded: boolean
  readonly dialog:
    | 'shortcuts'
    | 'commands'
    | 'weather'
    | 'estimate'
    | 'year'
    | 'record'
    | 'history'
    | 'comments'
    | 'shade'
    | 'rules'
    | 'permit'
    | 'hand-over'
    | 'after'
    | 'best'
    | 'fit'
    | 'money'
    | 'cash-flow'
    | 'page'
    | 'modules'
    | 'arrays'
    | 'structure'
    | 'parts'
    | 'diagram'
    | 'inverters'
    | 'devices'
    | 'strings'
    | 'curves'
    | 'optimizers'
    | 'tariffs'
    | 'hours'
    | 'customer-bills'
    | 'tariff-now'
    | 'tariff-then'
    | 'bills'
    | null
  /** What is tried in the option on the screen; null where nobody looks at it. */
  readonly tried: Ranking['of'] | null
  /** Another module that was chosen, of which less fits somewhere; asked about for one state of the option. */
  readonly askedModule: { readonly moduleId: string; readonly option: Objects } | null
}

/** Under this width the panels beside the stage lie over it, folded at first. */
export const narrowPx = 900
const isNarrow = () => typeof window !== 'undefined' && window.innerWidth < narrowPx

export const createSession = (optionId: string) =>
  createStore<Session>(() => ({
    chapter: 'shape',
    tool: 'select',
    selection: null,
    hover: null,
    lit: [],
    hidden: [],
    optionId,
    plan: false,
    camera: null,
    sunMap: true,
    racking: false,
    sunSpan: 'year',
    accessLabels: false,
    lookFrom: null,
    checking: false,
    layer: 'yield',
    loadPart: null,
    day: 140,
    hour: 15,
    why: null,
    placing: null,
    sketch: null,
    heights: null,
    toast: null,
    leftFolded: isNarrow(),
    rightFolded: isNarrow(),
    dialog: null,
    tried: null,
    askedModule: null,
  }))

/** Whether the light on the roofs is to be seen. */
export const showsSunMap = ({ sunMap, chapter }: Session) => sunMap && chapter === 'cover'

/** Whether one thing of the house is looked at by itself. */
export const showsLoadPart = ({ layer, loadPart }: Session) => layer === 'load' && loadPart !== null

/** Whether it is asked what unchecked heights may cost. */
export const asksHeights = ({ dialog, checking }: Session) => dialog === 'shade' || checking

/** Whether the shade of single modules is looked at. */
export const looksAtShade = (session: Session) => asksHeights(session) || session.layer === 'shade'

export type SessionStore = ReturnType<typeof createSession>

let toasts = 0

/** What is fetched when it is first asked for could not be. */
export const needsNetworkOnce = 'This needs the network once. Try again when it is back.'

export function toast(session: SessionStore, text: string, step: Step | null = null): void {
  session.setState({ toast: { id: ++toasts, text, step } })
}
