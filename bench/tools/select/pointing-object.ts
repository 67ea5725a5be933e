import { distance2 } from '@/core/geometry/vector'
import { type PointerInput, type ToolContext, ToolState } from '../chart'
import { DraggingObject } from './dragging-object'

/** Pixels a hand may tremble without meaning to drag. */
export const tremblePx = 4

/** Pressed on an object: a click if released here, a drag if moved. */
export class PointingObject extends ToolState {
  readonly #id: string
  readonly #from: PointerInput
  readonly #back: () => ToolState
  readonly #clicked: () => void

  constructor(
    context: ToolContext,
    id: string,
    from: PointerInput,
    back: () => ToolState,
    clicked: () => void = () => undefined,
  ) {
    super(context)
    this.#id = id
    this.#from = from
    this.#back = back
    this.#clicked = clicked
  }

  override move(input: PointerInput): void {
    if (distance2(input.screen, this.#from.screen) < tremblePx) return
    const dragging = new DraggingObject(this.context, this.#id, this.#from, this.#back)
    this.go(dragging)
    dragging.move(input)
  }

  override release(): void {
    this.#clicked()
    this.go(this.#back())
  }

  override cancel(): void {
    this.go(this.#back())
  }
}
