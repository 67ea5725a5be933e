import { type Vec2 } from '@/core/geometry/vector'
import { type KeyInput, type ToolContext, ToolState } from './chart'
import { fromAbove, walked } from './walk'

/** A state that waits for a point, which the arrow keys and Enter set as well. */
export abstract class PointState extends ToolState {
  /** Where the hand is. */
  protected at: Vec2

  constructor(context: ToolContext, at: Vec2) {
    super(context)
    this.at = at
  }

  override key(input: KeyInput): boolean {
    const to = walked(this.at, input)
    if (to) this.move(fromAbove(this.context, to))
    else if (input.key === 'Enter') this.press(fromAbove(this.context, this.at))
    return to !== null || input.key === 'Enter'
  }

  /** Puts the tool down. */
  protected end(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
  }
}
