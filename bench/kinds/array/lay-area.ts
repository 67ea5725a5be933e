import { defaultArray, type PanelArray } from '@/core/kinds/array/array'
import { ofKind } from '@/core/kinds/documents'
import { frameOf, toFrame } from '@/core/layout/plane-frame'
import { Fault } from '@/core/model/fault'
import { newId } from '@/core/model/new-id'
import { type KeyInput, type PointerInput, type ToolContext, ToolState } from '../../tools/chart'
import { showSketch, snappedOn, type DrawnPlane } from '../../tools/sketch'
import { TraceDrawing, type Traced } from '../../tools/trace/drawing'
import { fromAbove, walked } from '../../tools/walk'
import { planeUnder, type PlaneUnderHand } from './under-hand'

/** Waits for the first corner of a field, on a roof plane. */
export class LayArea extends ToolState {
  #at: readonly [number, number] = [0, 0]

  override enter(): void {
    showSketch(this.context, { message: this.context.sayer().words.tools['lay-area'].hint })
  }

  override move(input: PointerInput): void {
    const under = planeUnder(this.context, input)
    if (!under || under === 'neighbour') return
    const plane = drawnPlane(this.context, under)
    const found = snappedOn(plane, input, [])
    const { hint } = this.context.sayer().words.tools['lay-area']
    if (found) showSketch(this.context, { on: plane.frame, pointer: found.point, snap: found, message: hint })
  }

  override press(input: PointerInput): void {
    const { words } = this.context.sayer()
    const under = planeUnder(this.context, input)
    if (!under || under === 'neighbour') {
      showSketch(this.context, { message: under ? words.laying.neighbour : words.tools['lay-area'].wrong })
      return
    }
    const plane = drawnPlane(this.context, under)
    const found = snappedOn(plane, input, [])
    if (!found) return
    this.context.session.setState({ selection: null })
    this.go(
      new TraceDrawing(this.context, tracedOn(under, plane), [found.point], () => new LayArea(this.context)),
    )
  }

  /** Arrow keys carry a mark, Enter begins there; the corners that follow are typed. */
  override key(input: KeyInput): boolean {
    const to = walked([...this.#at], input)
    if (to) {
      this.#at = to
      const above = fromAbove(this.context, to)
      showSketch(this.context, { marks: [above.hit?.point ?? [to[0], to[1], 0]] })
    } else if (input.key === 'Enter') this.press(fromAbove(this.context, [...this.#at]))
    return to !== null || input.key === 'Enter'
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null, hover: null })
    this.leave()
  }
}

/** The plane with the outlines that corners hold on to: its own, and those of the fields that are there. */
function drawnPlane(context: ToolContext, under: PlaneUnderHand): DrawnPlane {
  const { plane } = under.margins
  const frame = frameOf(plane)
  const fields = ofKind(context.option(), 'array').filter(
    ({ volumeId, edgeIndex, step }) =>
      volumeId === under.volumeId && edgeIndex === under.edgeIndex && step === under.step,
  )
  return {
    frame,
    outlines: [
      plane.corners.map((corner) => toFrame(frame, corner)),
      ...fields.flatMap(({ part }) => (part?.is === 'field' ? [part.corners] : [])),
    ],
  }
}

const tracedOn = ({ volumeId, edgeIndex, step }: PlaneUnderHand, plane: DrawnPlane): Traced => ({
  closes: true,
  label: 'Lay in an area',
  plane,
  make: (context, corners): PanelArray => {
    if (corners.length < 3) throw new Fault('field-corners')
    const array: PanelArray = {
      ...defaultArray,
      id: newId('array', context.random),
      volumeId,
      edgeIndex,
      step,
      part: { is: 'field', corners: [...corners] },
    }
    // Tried before it is done: what does not fit leaves no step to undo or redo.
    if (countOf(context.siteWith({ ...context.option(), [array.id]: array }), array.id) === 0)
      throw new Fault('nothing-fits')
    return array
  },
  said: (context, id) => laidWords(context, countOf(context.site(), id)),
})

const countOf = (site: ReturnType<ToolContext['site']>, id: string): number =>
  site.arrays.find((array) => array.id === id)?.panels.length ?? 0

/** What is said of modules that were just laid. */
export const laidWords = (context: ToolContext, n: number): string => {
  const sayer = context.sayer()
  return sayer.say(sayer.words.laying.laid, { n })
}
