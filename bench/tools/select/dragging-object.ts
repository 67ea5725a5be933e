import { rayLevel } from '@/core/geometry/ray'
import { type Vec2 } from '@/core/geometry/vector'
import { pickFace } from '@/core/site/pick'
import { objectIdsOf } from '../../store/selection'
import { toast } from '../../store/session'
import { type PointerInput, type ToolContext, ToolState } from '../chart'
import { movementOf } from '../standing-objects'
import { freeParty, previewMoved, type Party } from './company'

/** Moves an object as a whole, and all that are chosen with it: level with where it was taken, or over the roof planes. */
export class DraggingObject extends ToolState {
  readonly #id: string
  readonly #levelM: number
  readonly #from: Vec2
  readonly #back: () => ToolState
  #party: Party = { chosen: [], company: [] }

  constructor(context: ToolContext, id: string, from: PointerInput, back: () => ToolState) {
    super(context)
    this.#id = id
    const taken = from.grip?.handle.at ?? from.hit?.point
    this.#levelM = taken?.[2] ?? 0
    this.#from = taken ? [taken[0], taken[1]] : from.at
    this.#back = back
  }

  override enter(): void {
    const chosen = objectIdsOf(this.context.session.getState().selection)
    this.#party = freeParty(this.context, chosen.includes(this.#id) ? chosen : [this.#id])
    this.context.documents.begin()
  }

  override move(input: PointerInput): void {
    const movement = movementOf(this.context, this.#id)
    if (!movement) return
    const at =
      movement.along === 'faces' && this.#party.chosen.length === 1
        ? pickFace(this.context.site(), input.ray)
        : rayLevel(input.ray, this.#levelM)
    if (at) previewMoved(this.context, this.#party, [at[0] - this.#from[0], at[1] - this.#from[1]])
  }

  override release(): void {
    const { fault } = this.context.documents.commit('Move')
    if (fault) toast(this.context.session, this.context.sayer().fault(fault))
    this.go(this.#back())
  }

  override cancel(): void {
    this.context.documents.cancel()
    this.go(this.#back())
  }
}
