import { strungAs } from '@/core/electrical/edit-strings'
import { theOne } from '@/core/kinds/documents'
import { electricalId, longestDrawn, type DrawnString } from '@/core/kinds/electrical/electrical'
import { type Ray } from '@/core/geometry/ray'
import { type Vec3 } from '@/core/geometry/vector'
import { pick } from '@/core/site/pick'
import { later } from '@/words/en/later'
import { modulesOf } from '../store/selection'
import { type KeyInput, type PointerInput, type ToolContext, ToolState } from '../tools/chart'
import { stepModule } from '../tools/select/step-module'
import { showSketch } from '../tools/sketch'

const words = later.wiring

/** A hand that goes fast is looked after at so many places in between. */
const between = 24

const drawnIn = (context: ToolContext) => theOne(context.option(), 'electrical', electricalId).drawn

const moduleAt = (input: PointerInput): string | null => (input.hit?.kind === 'panel' ? input.hit.id : null)

/** The module that arrow keys are at: the first one laid before any is chosen. */
function cursorOf(context: ToolContext, key: string | null): string | undefined {
  const { selection } = context.session.getState()
  const here = modulesOf(selection).at(-1)?.id
  if (here === undefined) {
    const first = context.site().arrays.flatMap(({ panels }) => panels)[0]
    if (first)
      context.session.setState({ selection: { kind: 'panel', id: first.id, arrayId: first.arrayId } })
    return first?.id
  }
  if (key === null) return here
  return stepModule(context, key) ? modulesOf(context.session.getState().selection).at(-1)?.id : undefined
}

/** Waits for the first module of a string. */
export class StringIdle extends ToolState {
  readonly #said: string

  constructor(context: ToolContext, said: string = words.drawHint) {
    super(context)
    this.#said = said
  }

  override enter(): void {
    showSketch(this.context, { message: this.#said })
  }

  override press(input: PointerInput): void {
    const id = moduleAt(input)
    if (id === null) showSketch(this.context, { message: words.drawWrong })
    else this.go(new StringDrawing(this.context, begunIn(this.context, id), input.ray))
  }

  override key({ key }: KeyInput): boolean {
    if (key.startsWith('Arrow')) return cursorOf(this.context, key) !== undefined
    if (key !== 'Enter') return false
    const id = cursorOf(this.context, null)
    if (id !== undefined) this.go(new StringDrawing(this.context, begunIn(this.context, id), null))
    return true
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null, lit: [] })
    this.leave()
  }
}

/** Modules taken so far, and the drawn string that they go on from. */
interface Begun {
  readonly path: readonly string[]
  readonly from: {
    readonly string: DrawnString
    /** Its modules that are no longer laid: they stay in it, at the end that the hand is not at. */
    readonly gone: readonly string[]
    readonly turned: boolean
  } | null
}

/**
 * From the last or the first module of a drawn string on, that goes on; from any other a new one begins. Modules that
 * are no longer laid are no ends.
 */
export function begunAt(drawn: readonly DrawnString[], id: string, laid: ReadonlySet<string>): Begun {
  for (const string of drawn) {
    const path = string.panelIds.filter((panel) => laid.has(panel))
    const gone = string.panelIds.filter((panel) => !laid.has(panel))
    if (path.at(-1) === id) return { path, from: { string, gone, turned: false } }
    if (path[0] === id) return { path: path.toReversed(), from: { string, gone, turned: true } }
  }
  return { path: [id], from: null }
}

const begunIn = (context: ToolContext, id: string): Begun =>
  begunAt(
    drawnIn(context),
    id,
    new Set(context.site().arrays.flatMap(({ panels }) => panels.map((panel) => panel.id))),
  )

/** The path once the hand is on a module: on the one before the last, the last is let go. */
export function pathTo(path: readonly string[], id: string): readonly string[] {
  if (path.at(-2) === id) return path.slice(0, -1)
  return path.includes(id) || path.length >= longestDrawn ? path : [...path, id]
}

/** Takes module after module: dragged over, clicked one by one, or gone to with arrow keys. */
class StringDrawing extends ToolState {
  #path: readonly string[]
  readonly #from: Begun['from']
  /** Where the hand was last, as long as it presses. */
  #ray: Ray | null
  /** What was taken when the hand pressed, and whether it pressed on the last module once more. */
  #pressed: readonly string[]
  #isAgain = false

  constructor(context: ToolContext, { path, from }: Begun, ray: Ray | null) {
    super(context)
    this.#path = this.#pressed = path
    this.#from = from
    this.#ray = ray
  }

  override enter(): void {
    this.#show()
  }

  override press(input: PointerInput): void {
    const id = moduleAt(input)
    this.#ray = input.ray
    this.#isAgain = id !== null && id === this.#path.at(-1)
    if (id !== null) this.#take(id)
    this.#pressed = this.#path
  }

  override move({ ray }: PointerInput): void {
    const from = this.#ray
    if (!from) return
    this.#ray = ray
    for (let step = 1; step <= between; step++) {
      const hit = pick(this.context.site(), mixed(from, ray, step / between), null)
      if (hit?.kind === 'panel') this.#take(hit.id)
    }
  }

  /** What is dragged over ends with the hand; clicks go on until one is on the last module again. */
  override release(input: PointerInput): void {
    this.move(input)
    this.#ray = null
    if (this.#path !== this.#pressed || this.#isAgain) this.#finish()
  }

  override key({ key }: KeyInput): boolean {
    if (key === 'Enter') this.#finish()
    else if (key === 'Backspace' || key === 'Delete') this.undo()
    else if (key.startsWith('Arrow')) {
      const id = cursorOf(this.context, key)
      if (id !== undefined) this.#take(id)
    } else return false
    return true
  }

  override undo(): boolean {
    if (this.#path.length < 2) this.cancel()
    else {
      this.#path = this.#path.slice(0, -1)
      this.#show()
    }
    return true
  }

  override cancel(): void {
    this.context.session.setState({ lit: [] })
    this.go(new StringIdle(this.context))
  }

  #take(id: string): void {
    const path = pathTo(this.#path, id)
    if (path === this.#path) return
    this.#path = path
    this.#show()
  }

  #show(): void {
    const sayer = this.context.sayer()
    const isFull = this.#path.length >= longestDrawn
    this.context.session.setState({ lit: this.#path })
    showSketch(this.context, {
      message: sayer.say(isFull ? words.drawFull : words.drawing, { modules: this.#path.length }),
    })
  }

  #finish(): void {
    const { context } = this
    const from = this.#from
    const part = {
      input: from?.string.input ?? null,
      panelIds: from?.turned
        ? [...this.#path.toReversed(), ...from.gone]
        : [...(from?.gone ?? []), ...this.#path],
    }
    const drawn = strungAs(drawnIn(context), from ? [from.string] : [], [part])
    context.session.setState({ lit: [] })
    if (drawn)
      context.documents.set(words.drawStep, context.session.getState().optionId, electricalId, { drawn })
    const said = drawn ? words.drawDone : words.drawMany
    this.go(new StringIdle(context, context.sayer().say(said, { modules: this.#path.length })))
  }
}

const mixed = (a: Ray, b: Ray, share: number): Ray => {
  const mix = (p: Vec3, q: Vec3): Vec3 => [
    p[0] + (q[0] - p[0]) * share,
    p[1] + (q[1] - p[1]) * share,
    p[2] + (q[2] - p[2]) * share,
  ]
  return { origin: mix(a.origin, b.origin), direction: mix(a.direction, b.direction) }
}
