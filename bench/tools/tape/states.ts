import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { type KeyInput, type PointerInput, type ToolContext, ToolState } from '../chart'
import { showSketch } from '../sketch'
import { fromAbove, walked } from '../walk'
import { keep } from './keep'
import { heldAt, readingOf, tapeWordsOf } from './reading'

/** How near the tape holds on to corners where arrow keys carry it, m: less than two steps from each other. */
const heldByKeysM = 0.26

const underKeys = (context: ToolContext, at: Vec2) => fromAbove(context, at, heldByKeysM)

/** Waits for the tape's first end; what was measured last stays until then. */
export class TapeIdle extends ToolState {
  /** Where Enter begins: where the arrow keys went. */
  #at: Vec2

  constructor(context: ToolContext, at: Vec2 = [0, 0]) {
    super(context)
    this.#at = at
  }

  override enter(): void {
    if (!this.context.session.getState().sketch?.tape) showSketch(this.context, { message: this.#hint })
  }

  override press(input: PointerInput): void {
    this.go(new TapeStretched(this.context, heldAt(this.context.site(), input), input.at))
  }

  /** Enter keeps what was measured last; arrows begin another, which Enter then holds. */
  override key(input: KeyInput): boolean {
    const to = walked(this.#at, input)
    if (to) {
      this.#at = to
      const mark = heldAt(this.context.site(), underKeys(this.context, to))
      showSketch(this.context, { marks: [mark], message: this.#hint })
      return true
    }
    if (input.key !== 'Enter') return false
    const tape = this.context.session.getState().sketch?.tape
    if (tape) keep(this.context, tape)
    else this.press(underKeys(this.context, this.#at))
    return true
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
  }

  get #hint(): string {
    return this.context.sayer().words.tools.tape.hint
  }
}

/** One end is held; the other follows the pointer or the arrow keys until it is set. */
class TapeStretched extends ToolState {
  readonly #from: Vec3
  #at: Vec2

  constructor(context: ToolContext, from: Vec3, at: Vec2) {
    super(context)
    this.#from = from
    this.#at = at
  }

  override enter(): void {
    showSketch(this.context, {
      tape: [this.#from, this.#from],
      message: tapeWordsOf(this.context).words.next,
    })
  }

  override move(input: PointerInput): void {
    this.#at = input.at
    const to = heldAt(this.context.site(), input)
    showSketch(this.context, { tape: [this.#from, to], message: readingOf(this.context, this.#from, to) })
  }

  override press(input: PointerInput): void {
    const to = heldAt(this.context.site(), input)
    const reading = readingOf(this.context, this.#from, to)
    const { words, say } = tapeWordsOf(this.context)
    showSketch(this.context, { tape: [this.#from, to], message: say(words.keep, { reading }) })
    this.go(new TapeIdle(this.context, input.at))
  }

  override key(input: KeyInput): boolean {
    const to = walked(this.#at, input)
    if (to) this.move(underKeys(this.context, to))
    else if (input.key === 'Enter') this.press(underKeys(this.context, this.#at))
    return to !== null || input.key === 'Enter'
  }

  /** Back to no end held, with the tool still in hand. */
  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.go(new TapeIdle(this.context, this.#at))
  }
}
