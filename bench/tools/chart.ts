import { type Catalogue } from '@/core/electrical/catalogue'
import { type Ray } from '@/core/geometry/ray'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { type Objects } from '@/core/kinds/documents'
import { type Handle, type ModuleSize } from '@/core/kinds/standing'
import { type Hit } from '@/core/site/pick'
import { type Site } from '@/core/site/site'
import { type Sayer } from '@/words/sayer'
import { type DocumentStore } from '../store/documents'
import { type SessionStore, type ToolId } from '../store/session'
import { type ToldRoof } from '../underlays/under-lines'

/** A grip and the object it sits on. */
export interface Grip {
  readonly objectId: string
  readonly handle: Handle
}

/** A pointer event in the terms of the house. */
export interface PointerInput {
  /** On the ground. */
  readonly at: Vec2
  readonly ray: Ray
  /** Pixels. */
  readonly screen: Vec2
  /** Where a point is seen on the stage; null behind the eye. */
  readonly project: (point: Vec3) => Vec2 | null
  readonly hit: Hit | null
  readonly grip: Grip | null
  readonly shift: boolean
  /** How many metres of ground lie under a snap's reach. */
  readonly reachM: number
}

export interface KeyInput {
  /** As `KeyboardEvent.key` names it. */
  readonly key: string
  readonly shift: boolean
}

/** What every state works with. */
export interface ToolContext {
  readonly documents: DocumentStore
  readonly session: SessionStore
  /** What stands there now. */
  readonly site: () => Site
  /** What would stand there with another option. */
  readonly siteWith: (option: Objects) => Site
  readonly option: () => Objects
  readonly catalogue: Catalogue
  /** What is laid, in an option that is not on the screen as well; null while none of the catalogue is chosen. */
  readonly module: (of?: Objects) => ModuleSize | null
  readonly units: () => 'metric' | 'imperial'
  readonly locale: () => string
  readonly sayer: () => Sayer
  /** Lines under the model, of drawings or of heights, that come near a point. */
  readonly linesNear: (at: Vec2, reachM: number) => readonly (readonly [Vec2, Vec2])[]
  /** The roof that heights tell of over an outline; null where none were read there. */
  readonly roofOver: (outline: readonly Vec2[]) => ToldRoof | null
  /** 0..1, for ids. */
  readonly random: () => number
  /** States that are not there from the first. */
  readonly lateStates: () => Promise<LateStates>
}

/** What tools begin in whose states are fetched when they are first taken. */
export interface LateStates {
  readonly CalibrateFirst: new (context: ToolContext) => ToolState
  readonly LookFromPoint: new (context: ToolContext, at: Vec2) => ToolState
  readonly MovePictureFrom: new (context: ToolContext, at: Vec2) => ToolState
  readonly StringIdle: new (context: ToolContext) => ToolState
  readonly PlaceIdle: new (context: ToolContext) => ToolState
}

/** One state of a tool: what it does with what comes, and where it goes from there. */
export abstract class ToolState {
  protected readonly context: ToolContext
  /** Set by the chart. */
  go: (next: ToolState) => void = () => undefined
  /** Leaves the tool for the select tool. */
  leave: () => void = () => undefined

  constructor(context: ToolContext) {
    this.context = context
  }

  enter(): void {}
  press(_input: PointerInput): void {}
  move(_input: PointerInput): void {}
  release(_input: PointerInput): void {}
  /** True when the key was used. */
  key(_input: KeyInput): boolean {
    return false
  }
  /** Takes back a step of what is being drawn, before any edit of the documents; true when there was one. */
  undo(): boolean {
    return false
  }
  /** Esc, or another tool is taken: bails out to where it began. */
  cancel(): void {}
}

/** A running tool: one state at a time. */
export class ToolChart {
  #state: ToolState
  readonly id: ToolId
  readonly #leave: () => void

  constructor(id: ToolId, first: ToolState, leave: () => void) {
    this.id = id
    this.#leave = leave
    this.#state = first
    this.#adopt(first)
  }

  press = (input: PointerInput) => this.#state.press(input)
  move = (input: PointerInput) => this.#state.move(input)
  release = (input: PointerInput) => this.#state.release(input)
  key = (input: KeyInput) => this.#state.key(input)
  undo = () => this.#state.undo()
  cancel = () => this.#state.cancel()

  #adopt(state: ToolState): void {
    this.#state = state
    state.go = (next) => this.#adopt(next)
    state.leave = this.#leave
    state.enter()
  }
}
