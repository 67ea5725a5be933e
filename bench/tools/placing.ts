import { type Vec2 } from '@/core/geometry/vector'
import { type AnyObject, kindOf } from '@/core/kinds/index'
import { inWorld } from '@/core/kinds/place'
import { houseId } from '../store/documents'
import { toast, type ToolId } from '../store/session'
import { type KeyInput, type PointerInput, type ToolContext, ToolState } from './chart'
import { showSketch } from './sketch'
import { fromAbove, walked } from './walk'

/** What is placed, and where it may be. */
export interface Placement {
  readonly tool: ToolId
  /** `roof`: on a plane or a module; `ground`: anywhere; `open-ground`: where nothing stands; `roof-or-ground`: on either. */
  readonly on: 'roof' | 'ground' | 'open-ground' | 'roof-or-ground'
  readonly make: (context: ToolContext, center: Vec2, input: PointerInput) => AnyObject
}

/** Sets an object where the hand clicks, or where arrow keys and Enter say. */
export class Placing extends ToolState {
  readonly #placement: Placement
  /** Where Enter sets it: under the pointer, or where the arrow keys went. */
  #at: Vec2 = [0, 0]

  constructor(context: ToolContext, placement: Placement) {
    super(context)
    this.#placement = placement
  }

  override enter(): void {
    showSketch(this.context, { message: this.#hint })
  }

  override move(input: PointerInput): void {
    this.#at = input.at
    showSketch(this.context, { pointer: this.#where(input), message: this.#hint })
  }

  override press(input: PointerInput): void {
    const { documents, session } = this.context
    if (!this.#fits(input)) {
      showSketch(this.context, { message: this.#wrongPlace })
      return
    }
    const object = this.#placement.make(this.context, inWorld(this.#where(input)), input)
    const documentId = kindOf(object).document === 'house' ? houseId : session.getState().optionId
    const { fault } = documents.edit('Place', documentId, (before) => ({ ...before, [object.id]: object }))
    session.setState({ sketch: null, ...(fault ? {} : { selection: { kind: 'object', id: object.id } }) })
    if (fault) toast(session, this.context.sayer().fault(fault))
    this.leave()
  }

  /** Arrows carry the mark over the plan, Enter sets the object down on whatever is under it. */
  override key(input: KeyInput): boolean {
    const to = walked(this.#at, input)
    if (to) {
      this.move(fromAbove(this.context, to))
      return true
    }
    if (input.key !== 'Enter') return false
    this.press(fromAbove(this.context, this.#at))
    return true
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
  }

  get #hint(): string {
    return this.context.sayer().words.tools[this.#placement.tool].hint
  }

  get #wrongPlace(): string {
    return this.context.sayer().words.tools[this.#placement.tool].wrong
  }

  #where({ at, hit }: PointerInput): Vec2 {
    const onRoof = this.#placement.on === 'roof' || this.#placement.on === 'roof-or-ground'
    return onRoof && hit ? [hit.point[0], hit.point[1]] : at
  }

  #fits({ hit }: PointerInput): boolean {
    const { on } = this.#placement
    if (on === 'ground') return true
    if (on === 'open-ground') return hit === null
    if (hit === null) return on === 'roof-or-ground'
    return hit.kind !== 'object'
  }
}

/** The name of a new object among those of its kind: the next of its numbers that none of them has. */
export function nameAmong(
  context: Pick<ToolContext, 'sayer'>,
  kind: AnyObject['kind'],
  others: readonly AnyObject[],
): string {
  const sayer = context.sayer()
  const taken = new Set(others.map((other) => ('name' in other ? other.name : '')))
  for (let n = others.length + 1; ; n++) {
    const name = sayer.say(sayer.words.kinds[kind].named, { n })
    if (!taken.has(name)) return name
  }
}
