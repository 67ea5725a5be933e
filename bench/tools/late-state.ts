import { toast, type ToolId } from '../store/session'
import { type LateStates, type ToolContext, ToolState } from './chart'

/** A tool whose states are fetched when it is first taken. */
export class LateState extends ToolState {
  readonly #id: ToolId
  readonly #first: (states: LateStates) => ToolState

  constructor(context: ToolContext, id: ToolId, first: (states: LateStates) => ToolState) {
    super(context)
    this.#id = id
    this.#first = first
  }

  override enter(): void {
    this.context.lateStates().then(
      (states) => {
        // Another may have been taken meanwhile.
        if (this.context.session.getState().tool === this.#id) this.go(this.#first(states))
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
