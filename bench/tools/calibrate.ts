import { distance2, type Vec2 } from '@/core/geometry/vector'
import { ofKind } from '@/core/kinds/documents'
import { calibrated, nearestM } from '@/core/kinds/underlay/lie'
import { type Underlay } from '@/core/kinds/underlay/underlay'
import { Fault } from '@/core/model/fault'
import { later } from '@/words/en/later'
import { houseId } from '../store/documents'
import { soleOwner } from '../store/selection'
import { toast } from '../store/session'
import { type KeyInput, type PointerInput, type ToolContext, ToolState } from './chart'
import { showSketch, snapped } from './sketch'
import { typedLength } from './trace/typed-corner'
import { PointState } from './point-state'

/** The picture or drawing in hand, or else the only one there is. */
function inHand(context: ToolContext): Underlay | null {
  const underlays = ofKind(context.documents.house, 'underlay')
  const chosen = soleOwner(context.session.getState().selection)
  return underlays.find(({ id }) => id === chosen) ?? (underlays.length === 1 ? (underlays[0] ?? null) : null)
}

const words = later.calibrating

/** Waits for the first of two points whose distance is known. */
export class CalibrateFirst extends PointState {
  constructor(context: ToolContext) {
    super(context, [0, 0])
  }

  override enter(): void {
    showSketch(this.context, { message: inHand(this.context) ? words.first : words.none })
  }

  override move(input: PointerInput): void {
    if (!inHand(this.context)) return
    const { point } = snapped(this.context, input, [])
    this.at = point
    showSketch(this.context, { pointer: point, message: words.first })
  }

  override press(input: PointerInput): void {
    const underlay = inHand(this.context)
    if (!underlay) return
    this.go(new CalibrateSecond(this.context, underlay, snapped(this.context, input, []).point))
  }

  override cancel(): void {
    this.end()
  }
}

/** One point is set; the other follows the pointer until it is set as well. */
class CalibrateSecond extends PointState {
  readonly #underlay: Underlay
  readonly #from: Vec2

  constructor(context: ToolContext, underlay: Underlay, from: Vec2) {
    super(context, from)
    this.#underlay = underlay
    this.#from = from
  }

  override enter(): void {
    this.#show()
  }

  override move(input: PointerInput): void {
    this.at = snapped(this.context, input, []).point
    this.#show()
  }

  override press(input: PointerInput): void {
    this.move(input)
    if (distance2(this.#from, this.at) < nearestM) return
    this.go(new CalibrateLength(this.context, this.#underlay, [this.#from, this.at]))
  }

  override cancel(): void {
    this.go(new CalibrateFirst(this.context))
  }

  #show(): void {
    const { second } = words
    showSketch(this.context, { points: [this.#from], pointer: this.at, message: second })
  }
}

/** Both points are set: their distance is typed, and the way from the first to the second where it is known. */
class CalibrateLength extends ToolState {
  readonly #underlay: Underlay
  readonly #points: readonly [Vec2, Vec2]
  #typed = ''
  #wrong: string | null = null

  constructor(context: ToolContext, underlay: Underlay, points: readonly [Vec2, Vec2]) {
    super(context)
    this.#underlay = underlay
    this.#points = points
  }

  override enter(): void {
    this.#show()
  }

  override key({ key }: KeyInput): boolean {
    if (key === 'Enter') {
      this.#set()
      return true
    }
    if (key !== 'Backspace' && key.length !== 1) return false
    this.#typed = key === 'Backspace' ? this.#typed.slice(0, -1) : this.#typed + key
    this.#wrong = null
    this.#show()
    return true
  }

  override cancel(): void {
    this.go(new CalibrateFirst(this.context))
  }

  #set(): void {
    const { documents, session, sayer, units, locale } = this.context
    try {
      const { lengthM, azimuthDeg } = typedLength(this.#typed, units(), locale())
      const fields = calibrated(this.#underlay, this.#points, lengthM, azimuthDeg)
      const { fault, step } = documents.edit(words.label, houseId, (before) => {
        const now = before[this.#underlay.id]
        return now?.kind === 'underlay' ? { ...before, [now.id]: { ...now, ...fields } } : before
      })
      if (fault) throw fault
      session.setState({ sketch: null, selection: { kind: 'object', id: this.#underlay.id } })
      toast(session, azimuthDeg === null ? words.scaled : words.scaledAndTurned, step)
      this.leave()
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      this.#wrong = sayer().fault(error)
      this.#show()
    }
  }

  #show(): void {
    const [from, to] = this.#points
    showSketch(this.context, {
      points: [from],
      pointer: to,
      typed: this.#typed,
      message: this.#wrong ?? words.length,
    })
  }
}
