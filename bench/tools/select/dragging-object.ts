import { rayLevel } from '@/core/geometry/ray'
import { type Vec2 } from '@/core/geometry/vector'
import { type PointerInput, type ToolContext, ToolState } from '../chart'
import { movable, movableIn } from '../movable'

/** Moves a chimney, a tree or a rack level with where it was taken. */
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
    const at = rayLevel(input.ray, this.#levelM)
    const found = movable(this.context, this.#id)
    if (!at || !found) return
    this.context.documents.preview(found.documentId, (before) => {
      const object = movableIn(before, this.#id)
      if (!object) return before
      const center: Vec2 = [
        object.center[0] + at[0] - this.#from[0],
        object.center[1] + at[1] - this.#from[1],
      ]
      return { ...before, [object.id]: { ...object, center: [clamp(center[0]), clamp(center[1])] } }
    })
  }

  override release(): void {
    this.context.documents.commit('Move')
    this.go(this.#back())
  }

  override cancel(): void {
    this.context.documents.cancel()
    this.go(this.#back())
  }
}

/** The world of a job ends here; the schema refuses more. */
const clamp = (metres: number) => Math.round(Math.max(-490, Math.min(490, metres)) * 1000) / 1000
