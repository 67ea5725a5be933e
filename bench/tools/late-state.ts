import { fetchLaterParts } from '../lazy-parts'
import { toast, type ToolId } from '../store/session'
import { type ToolContext, ToolState } from './chart'

type LaterParts = Awaited<ReturnType<typeof fetchLaterParts>>

/** A tool whose states are fetched when it is first taken. */
export class LateState extends ToolState {
  readonly #id: ToolId
  readonly #first: (later: LaterParts) => ToolState

  constructor(context: ToolContext, id: ToolId, first: (later: LaterParts) => ToolState) {
    super(context)
    this.#id = id
    this.#first = first
  }

  override enter(): void {
    fetchLaterParts().then(
      (later) => {
        // Another may have been taken meanwhile.
        if (this.context.session.getState().tool === this.#id) this.go(this.#first(later))
      },
      () => {
        toast(this.context.session, 'This needs the network once. Try again when it is back.')
        this.leave()
      },
    )
  }

  override cancel(): void {
    this.leave()
  }
}
