import { type Vec2 } from '@/core/geometry/vector'
import { type KeyInput, type PointerInput, type ToolContext, ToolState } from '../chart'
import { showSketch, snapped } from '../sketch'
import { TraceDrawing, type Traced } from './drawing'

/** Waits for the first corner. */
export class TraceIdle extends ToolState {
  readonly #traced: Traced

  constructor(context: ToolContext, traced: Traced) {
    super(context)
    this.#traced = traced
  }

  override enter(): void {
    showSketch(this.context, { points: [] })
  }

  override move(input: PointerInput): void {
    const found = snapped(this.context, input, [])
    showSketch(this.context, { points: [], pointer: found.point, snap: found })
  }

  override press(input: PointerInput): void {
    this.#from(snapped(this.context, input, []).point)
  }

  /** Without a pointer the outline begins where the house stands, at the middle of the site. */
  override key({ key }: KeyInput): boolean {
    if (key !== 'Enter') return false
    this.#from([0, 0])
    return true
  }

  #from(point: Vec2): void {
    const again = () => new TraceIdle(this.context, this.#traced)
    this.go(new TraceDrawing(this.context, this.#traced, [point], again))
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
  }
}
