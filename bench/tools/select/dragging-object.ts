import { rayLevel } from '@/core/geometry/ray'
import { type Vec2 } from '@/core/geometry/vector'
import { pickFace } from '@/core/site/pick'
import { toast } from '../../store/session'
import { type PointerInput, type ToolContext, ToolState } from '../chart'
import { standingObject } from '../standing-objects'
import { companyOf, withMoved } from './company'

/** Moves an object as a whole: level with where it was taken, or over the roof planes. */
export class DraggingObject extends ToolState {
  readonly #id: string
  readonly #levelM: number
  readonly #from: Vec2
  readonly #back: () => ToolState
  /** What goes with it. */
  #company: readonly string[] = []

  constructor(context: ToolContext, id: string, from: PointerInput, back: () => ToolState) {
    super(context)
    this.#id = id
    const taken = from.grip?.handle.at ?? from.hit?.point
    this.#levelM = taken?.[2] ?? 0
    this.#from = taken ? [taken[0], taken[1]] : from.at
    this.#back = back
  }

  override enter(): void {
    const found = standingObject(this.context, this.#id)
    this.#company = found ? companyOf(this.context, found.object).map(({ id }) => id) : []
    this.context.documents.begin()
  }

  override move(input: PointerInput): void {
    const found = standingObject(this.context, this.#id)
    const movement = found?.standing.move
    if (!found || !movement) return
    const at =
      movement.along === 'faces'
        ? pickFace(this.context.site(), input.ray)
        : rayLevel(input.ray, this.#levelM)
    if (!at) return
    const by: Vec2 = [at[0] - this.#from[0], at[1] - this.#from[1]]
    this.context.documents.preview(found.documentId, (before) =>
      withMoved(before, this.#id, this.#company, by),
    )
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
