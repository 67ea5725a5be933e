import { type Vec3 } from '@/core/geometry/vector'
import { type KeyInput, type PointerInput, ToolState } from '../chart'
import { showSketch } from '../sketch'
import { keep } from './keep'
import { heldAt, readingOf, tapeWordsOf } from './reading'

/** Waits for the tape's first end; what was measured last stays until then. */
export class TapeIdle extends ToolState {
  override enter(): void {
    if (!this.context.session.getState().sketch?.tape)
      showSketch(this.context, { message: this.context.sayer().words.tools.tape.hint })
  }

  override press(input: PointerInput): void {
    this.go(new TapeStretched(this.context, heldAt(this.context.site(), input)))
  }

  /** What was measured last becomes part of the drawing. */
  override key({ key }: KeyInput): boolean {
    const tape = this.context.session.getState().sketch?.tape
    if (key !== 'Enter' || !tape) return false
    keep(this.context, tape)
    return true
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
  }
}

/** One end is held; the other follows the pointer until it is set. */
class TapeStretched extends ToolState {
  readonly #from: Vec3

  constructor(context: ToolState['context'], from: Vec3) {
    super(context)
    this.#from = from
  }

  override enter(): void {
    showSketch(this.context, {
      tape: [this.#from, this.#from],
      message: tapeWordsOf(this.context).words.next,
    })
  }

  override move(input: PointerInput): void {
    const to = heldAt(this.context.site(), input)
    showSketch(this.context, { tape: [this.#from, to], message: readingOf(this.context, this.#from, to) })
  }

  override press(input: PointerInput): void {
    const to = heldAt(this.context.site(), input)
    const reading = readingOf(this.context, this.#from, to)
    const { words, say } = tapeWordsOf(this.context)
    showSketch(this.context, { tape: [this.#from, to], message: say(words.keep, { reading }) })
    this.go(new TapeIdle(this.context))
  }

  /** Back to no end held, with the tool still in hand. */
  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.go(new TapeIdle(this.context))
  }
}
