import { Fault } from '@/core/model/fault'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { inWorld } from '@/core/kinds/place'
import { segmentsMeet } from '@/core/geometry/polygon'
import { distance2, type Vec2 } from '@/core/geometry/vector'
import { houseId } from '../../store/documents'
import { toast, type Sketch } from '../../store/session'
import { type KeyInput, type PointerInput, type ToolContext, ToolState } from '../chart'
import { showSketch, snapped, snappedOn, type DrawnPlane } from '../sketch'
import { typedCorner } from './typed-corner'

/** What is drawn corner by corner. */
export interface Traced {
  /** Whether its last corner is joined with its first; the other kind ends where its last corner is clicked again. */
  readonly closes: boolean
  /** What an undo of it is called. */
  readonly label: string
  /** The roof plane it is drawn on, in whose coordinates its corners are; left out on the ground. */
  readonly plane?: DrawnPlane
  /** @throws Fault where these corners make none */
  readonly make: (context: ToolContext, points: readonly Vec2[]) => AnyObject
  /** What is said once it is made; nothing where it speaks for itself. */
  readonly said?: (context: ToolContext, id: string) => string
}

/** Keys that only change how one looks at the drawing. */
const viewKeys = /^[vf]$/i

/** Corners are set one by one, by clicks or by typed lengths, until the first one closes the outline or the last ends the line. */
export class TraceDrawing extends ToolState {
  #points: readonly Vec2[]
  #pointer: Vec2
  #typed = ''
  readonly #traced: Traced
  readonly #back: () => ToolState

  constructor(context: ToolContext, traced: Traced, points: readonly Vec2[], back: () => ToolState) {
    super(context)
    this.#traced = traced
    this.#back = back
    this.#points = points
    this.#pointer = points.at(-1) ?? [0, 0]
  }

  override enter(): void {
    this.#show(null)
  }

  override move(input: PointerInput): void {
    const found = this.#snap(input)
    if (!found) return
    this.#pointer = found.point
    this.#sketch({ snap: found })
  }

  override press(input: PointerInput): void {
    const found = this.#snap(input)
    if (!found) return
    if (found.kind === 'close' || this.#ends(input)) this.#finish()
    else this.#add(found.point)
  }

  override key({ key }: KeyInput): boolean {
    if (key === 'Enter') {
      if (this.#typed) this.#addTyped()
      else this.#finish()
      return true
    }
    if (key === 'Backspace') return this.#takeBack()
    if (/^[\d.,;'"/ \-a-z%°]$/i.test(key) && (this.#typed !== '' || /^[\d.,-]$/.test(key))) {
      this.#typed += key
      this.#show(null)
      return true
    }
    // Other tools and chapters wait: what is drawn is not thrown away by a key beside the right one.
    if (/^[a-z='/]$/i.test(key) && !viewKeys.test(key)) {
      this.#show('Finish the drawing with Enter, or leave it with Esc.')
      return true
    }
    return false
  }

  override undo(): boolean {
    return this.#takeBack()
  }

  /** The last letter typed, or else the last corner. */
  #takeBack(): boolean {
    if (this.#typed) this.#typed = this.#typed.slice(0, -1)
    else if (this.#points.length > 1) this.#points = this.#points.slice(0, -1)
    else {
      this.go(this.#back())
      return true
    }
    this.#show(null)
    return true
  }

  override cancel(): void {
    this.go(this.#back())
  }

  /** Whether the last corner of an open line was clicked again. */
  #ends({ at, reachM }: PointerInput): boolean {
    const last = this.#points.at(-1)
    return !this.#traced.closes && last !== undefined && distance2(last, at) < reachM
  }

  #snap(input: PointerInput) {
    // An open line may come back to where it began without ending there.
    const { plane } = this.#traced
    const found = plane ? snappedOn(plane, input, this.#points) : snapped(this.context, input, this.#points)
    return found?.kind === 'close' && !this.#traced.closes ? { ...found, kind: 'end' as const } : found
  }

  #show(said: string | null): void {
    const canEnd = !this.#traced.closes && this.#points.length > 1
    const message = said ?? (canEnd ? 'Press Enter or click the last corner again to finish.' : null)
    this.#sketch({ message })
  }

  #sketch(more: Partial<Sketch>): void {
    showSketch(this.context, {
      on: this.#traced.plane?.frame ?? null,
      points: this.#points,
      pointer: this.#pointer,
      typed: this.#typed,
      ...more,
    })
  }

  #add(point: Vec2): void {
    const last = this.#points.at(-1)
    if (last && distance2(last, point) < 0.05) return
    const crossed = this.#crossed(point)
    if (crossed > 0) {
      this.#show(`This side would cross side ${crossed}. Set the corner elsewhere.`)
      return
    }
    this.#points = [...this.#points, point]
    this.#typed = ''
    this.#show(null)
  }

  /** The side (from 1) that a new side to `point` would cross; 0 for none. An open line may cross itself. */
  #crossed(point: Vec2): number {
    const last = this.#points.at(-1)
    if (!last || !this.#traced.closes) return 0
    for (let i = 0; i + 2 < this.#points.length; i++) {
      const [a, b] = [this.#points[i], this.#points[i + 1]]
      if (a && b && segmentsMeet(a, b, last, point)) return i + 1
    }
    return 0
  }

  #addTyped(): void {
    const last = this.#points.at(-1)
    if (!last) return
    const from = {
      last,
      pointer: this.#pointer,
      units: this.context.units(),
      locale: this.context.locale(),
    }
    try {
      this.#add(typedCorner(this.#typed, from))
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      this.#show(this.context.sayer().fault(error))
    }
  }

  #finish(): void {
    const { documents, session } = this.context
    let made: AnyObject
    try {
      made = this.#traced.make(this.context, this.#points.map(inWorld))
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      this.#show(this.context.sayer().fault(error))
      return
    }
    const documentId = kindOf(made).document === 'house' ? houseId : session.getState().optionId
    const { fault, step } = documents.edit(this.#traced.label, documentId, (before) => ({
      ...before,
      [made.id]: made,
    }))
    if (fault) {
      this.#show(this.context.sayer().fault(fault))
      return
    }
    session.setState({ sketch: null, selection: { kind: 'object', id: made.id } })
    const said = this.#traced.said?.(this.context, made.id)
    if (said) toast(session, said, step)
    this.leave()
  }
}
