import { snap } from '@/core/geometry/snap'
import { type KeyInput, type PointerInput, ToolState } from '../../tools/chart'
import { outlinesOf, showSketch } from '../../tools/sketch'
import { TraceDrawing } from './trace-drawing'

/** Waits for the first corner. */
export class TraceIdle extends ToolState {
  override enter(): void {
    showSketch(this.context, { points: [] })
  }

  override move(input: PointerInput): void {
    const found = snap({
      pointer: input.at,
      drawn: [],
      outlines: outlinesOf(this.context),
      reachM: input.reachM,
      off: input.shift,
    })
    showSketch(this.context, { points: [], pointer: found.point, snap: found })
  }

  override press(input: PointerInput): void {
    const found = snap({
      pointer: input.at,
      drawn: [],
      outlines: outlinesOf(this.context),
      reachM: input.reachM,
      off: input.shift,
    })
    this.go(new TraceDrawing(this.context, [found.point], () => new TraceIdle(this.context)))
  }

  /** Without a pointer the outline begins where the house stands, at the middle of the site. */
  override key({ key }: KeyInput): boolean {
    if (key !== 'Enter') return false
    this.go(new TraceDrawing(this.context, [[0, 0]], () => new TraceIdle(this.context)))
    return true
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
  }
}
