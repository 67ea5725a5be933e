import { needsNetworkOnce, toast, type ToolId } from '../store/session'
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
    // Another may have been taken meanwhile.
    const isInHand = () => this.context.session.getState().tool === this.#id
    this.context.lateStates().then(
      (states) => {
        if (isInHand()) this.go(this.#first(states))
      },
      () => {
        toast(this.context.session, needsNetworkOnce)
        if (isInHand()) this.leave()
      },
    )
  }

  override cancel(): void {
    this.leave()
  }
}
