import { defaultArray, type PanelArray } from '@/core/kinds/array/array'
import { mostInRow, mostRows, type RowsPart } from '@/core/kinds/array/part'
import { inWorld } from '@/core/kinds/place'
import { rayPlane } from '@/core/geometry/ray'
import { type Vec2 } from '@/core/geometry/vector'
import { rowsSize } from '@/core/layout/lay-rows'
import { frameOf, toFrame, type PlaneFrame } from '@/core/layout/plane-frame'
import { newId } from '@/core/model/new-id'
import { formatLength } from '@/core/model/units'
import { arraysOn, linesOf, snappedOnPlane } from '@/core/site/plane-snap'
import { toast, type Sketch } from '../../store/session'
import { type KeyInput, type PointerInput, type ToolContext, ToolState } from '../../tools/chart'
import { showSketch } from '../../tools/sketch'
import { fromAbove, walked } from '../../tools/walk'
import { laidWords } from './lay-area'
import { planeUnder, type PlaneUnderHand } from './under-hand'

/** Waits for the corner that rows are pulled out from. */
export class LayRows extends ToolState {
  /** Where Enter begins: where the arrow keys went. */
  #at: Vec2

  constructor(context: ToolContext, at: Vec2 = [0, 0]) {
    super(context)
    this.#at = at
  }

  override enter(): void {
    this.#show({})
  }

  override move(input: PointerInput): void {
    const under = planeUnder(this.context, input)
    if (!under || under === 'neighbour') return
    const frame = frameOf(under.margins.plane)
    const from = this.#corner(under, frame, input)
    if (from) this.#show({ on: frame, points: [from] })
  }

  override press(input: PointerInput): void {
    this.#begin(input)
  }

  /** Sets the first module down; null where none can lie. */
  #begin(input: PointerInput): PullingRows | null {
    const under = planeUnder(this.context, input)
    if (!under || under === 'neighbour') {
      const { laying, tools } = this.#words
      showSketch(this.context, { message: under ? laying.neighbour : tools['lay-rows'].wrong })
      return null
    }
    const from = this.#corner(under, frameOf(under.margins.plane), input)
    if (!from) return null
    this.context.session.setState({ selection: null })
    const pulling = new PullingRows(this.context, under, from, () => new LayRows(this.context, this.#at))
    this.go(pulling)
    return pulling
  }

  /** Arrow keys carry a mark; Enter lays one there, and its card makes more of it. */
  override key(input: KeyInput): boolean {
    const to = walked(this.#at, input)
    if (to) {
      this.#at = to
      showSketch(this.context, { marks: [fromAbove(this.context, to).hit?.point ?? [to[0], to[1], 0]] })
      return true
    }
    if (input.key !== 'Enter') return false
    this.#begin(fromAbove(this.context, this.#at))?.release()
    return true
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null, hover: null })
    this.leave()
  }

  /** With what has just been laid in hand the card is read, and the hint is known. */
  #show(sketch: Partial<Sketch>): void {
    const isFirst = this.context.session.getState().selection === null
    showSketch(this.context, { message: isFirst ? this.#words.tools['lay-rows'].hint : null, ...sketch })
  }

  /** Where rows begin: at a setback, the middle, or beside other modules, where one of these is near. */
  #corner({ margins }: PlaneUnderHand, frame: PlaneFrame, { ray, reachM, shift }: PointerInput): Vec2 | null {
    const point = rayPlane(ray, frame.origin, frame.normal)
    if (!point) return null
    const at = toFrame(frame, point)
    if (shift) return at
    const lines = linesOf(margins, arraysOn(this.context.site(), margins))
    return snappedOnPlane(at, [0, 0], { u: [0], v: [0] }, lines, reachM).map(
      (by, axis) => by + (at[axis] ?? 0),
    ) as unknown as Vec2
  }

  get #words() {
    return this.context.sayer().words
  }
}

/** Rows and columns follow the hand from the corner where it was set down; let go there, it is one module. */
class PullingRows extends ToolState {
  readonly #under: PlaneUnderHand
  readonly #frame: PlaneFrame
  readonly #from: Vec2
  readonly #id: string
  readonly #back: () => ToolState

  constructor(context: ToolContext, under: PlaneUnderHand, from: Vec2, back: () => ToolState) {
    super(context)
    this.#under = under
    this.#frame = frameOf(under.margins.plane)
    this.#from = from
    this.#back = back
    this.#id = newId('array', context.random)
  }

  override enter(): void {
    this.context.documents.begin()
    this.#preview([0, 0])
  }

  override move({ ray }: PointerInput): void {
    const point = rayPlane(ray, this.#frame.origin, this.#frame.normal)
    if (!point) return
    const [u, v] = toFrame(this.#frame, point)
    this.#preview([u - this.#from[0], v - this.#from[1]])
  }

  override release(): void {
    const { documents, session } = this.context
    const { panels = 0 } = this.#laid
    if (panels === 0) {
      documents.cancel()
      session.setState({ selection: null })
      this.go(this.#back())
      showSketch(this.context, { message: this.context.sayer().words.laying.nothing })
      return
    }
    const { fault, step } = documents.commit('Lay rows')
    session.setState({ sketch: null, ...(fault ? {} : { selection: { kind: 'object', id: this.#id } }) })
    if (fault) toast(session, this.context.sayer().fault(fault))
    else toast(session, laidWords(this.context, panels), step)
    this.go(this.#back())
  }

  override cancel(): void {
    this.context.documents.cancel()
    this.go(this.#back())
  }

  get #laid(): { readonly panels: number; readonly unfit: number } {
    const laid = this.context.site().arrays.find(({ id }) => id === this.#id)
    return { panels: laid?.panels.length ?? 0, unfit: laid?.unfit.length ?? 0 }
  }

  #preview(pulled: Vec2): void {
    const { documents, session } = this.context
    const { optionId } = session.getState()
    const module = this.context.module()
    if (!module) return
    const { volumeId, edgeIndex, step } = this.#under
    const { part, overall } = pulledRows(this.#from, pulled, module)
    const array: PanelArray = { ...defaultArray, id: this.#id, volumeId, edgeIndex, step, part }
    documents.preview(optionId, (before) => ({ ...before, [array.id]: array }))
    const sayer = this.context.sayer()
    const length = (metres: number) => formatLength(metres, this.context.units(), this.context.locale())
    showSketch(this.context, {
      message: sayer.say(sayer.words.laying.pulled, {
        rows: part.counts.length,
        columns: part.counts[0] ?? 0,
        unfit: this.#laid.unfit,
        wide: length(overall[0]),
        high: length(overall[1]),
      }),
    })
  }
}

/** As many whole rows and columns as reach over what was pulled out, to whichever side. */
export function pulledRows(
  from: Vec2,
  [du, dv]: Vec2,
  module: { readonly widthM: number; readonly lengthM: number },
): { readonly part: RowsPart; readonly overall: Vec2 } {
  const { gapM, orientation } = defaultArray
  const one = rowsSize({ counts: [1], module, orientation, gapM })
  const whole = (metres: number, pitchM: number, most: number) =>
    Math.max(1, Math.min(most, Math.floor((Math.abs(metres) + gapM) / pitchM)))
  const columns = whole(du, one.pitchU, mostInRow)
  const rows = whole(dv, one.pitchV, mostRows)
  const counts = Array.from({ length: rows }, () => columns)
  const { overallU, overallV } = rowsSize({ counts, module, orientation, gapM })
  const at = inWorld([from[0] - (du < 0 ? overallU : 0), from[1] - (dv < 0 ? overallV : 0)])
  return { part: { is: 'rows', at, counts, align: 'left' }, overall: [overallU, overallV] }
}
