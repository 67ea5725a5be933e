import { rayLevel } from '@/core/geometry/ray'
import { type Vec2 } from '@/core/geometry/vector'
import { inWorld } from '@/core/kinds/place'
import { pickFace } from '@/core/site/pick'
import { toast } from '../../store/session'
import { type PointerInput, type ToolContext, ToolState } from '../chart'
import { standingObject, withChanged } from '../standing-objects'

/** Moves an object as a whole: level with where it was taken, or over the roof planes. */
export class DraggingObject extends ToolState {
  readonly #id: string
  readonly #levelM: number
  readonly #from: Vec2
  readonly #back: () => ToolState

  constructor(context: ToolContext, id: string, from: PointerInput, back: () => ToolState) {
    super(context)
    this.#id = id
    this.#levelM = from.hit?.point[2] ?? 0
    this.#from = from.hit ? [from.hit.point[0], from.hit.point[1]] : from.at
    this.#back = back
  }

  override enter(): void {
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
    this.context.documents.preview(found.documentId, (before) =>
      withChanged(before, this.#id, (object) => {
        const [x, y] = movement.middle(object)
        return movement.to(object, inWorld([x + at[0] - this.#from[0], y + at[1] - this.#from[1]]))
      }),
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
