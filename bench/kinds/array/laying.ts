import { defaultArray, type PanelArray } from '@/core/kinds/array/array'
import { ofKind } from '@/core/kinds/documents'
import { standingById } from '@/core/site/site'
import { newId } from '@/core/model/new-id'
import { toast } from '../../store/session'
import { type PointerInput, ToolState } from '../../tools/chart'
import { showSketch } from '../../tools/sketch'
import { laidWords } from './lay-area'

/** Fills the clicked roof plane with modules; stays in hand for the next plane. */
export class Laying extends ToolState {
  override enter(): void {
    showSketch(this.context, { message: this.#words.hint })
  }

  override move({ hit }: PointerInput): void {
    const hover = hit?.kind === 'face' ? `${hit.objectId}/${hit.face.id}` : null
    if (this.context.session.getState().hover !== hover) this.context.session.setState({ hover })
  }

  override press({ hit }: PointerInput): void {
    const { documents, session } = this.context
    if (hit?.kind === 'panel' || hit?.kind === 'slot') {
      session.setState({ selection: { kind: 'object', id: hit.arrayId }, sketch: null })
      this.leave()
      return
    }
    if (hit?.kind !== 'face') {
      showSketch(this.context, { message: this.#words.wrong })
      return
    }
    const volumeId = hit.objectId
    const { edgeIndex, step: stretch } = hit.face
    if (standingById(this.context.site(), volumeId)?.geometry.faded) {
      showSketch(this.context, {
        message: this.context.sayer().words.laying.neighbour,
      })
      return
    }
    const option = this.context.option()
    const there = ofKind(option, 'array').find(
      (array) =>
        !array.part && array.volumeId === volumeId && array.edgeIndex === edgeIndex && array.step === stretch,
    )
    if (there) {
      session.setState({ selection: { kind: 'object', id: there.id } })
      return
    }
    const array: PanelArray = {
      ...defaultArray,
      id: newId('array', this.context.random),
      volumeId,
      edgeIndex,
      step: stretch,
    }
    // Tried before it is done: what does not fit leaves no step to undo or redo.
    const tried = this.context.siteWith({ ...option, [array.id]: array })
    const count = tried.arrays.find(({ id }) => id === array.id)?.panels.length ?? 0
    if (count === 0) {
      session.setState({ selection: null })
      showSketch(this.context, {
        message: this.context.sayer().words.laying.nothing,
      })
      return
    }
    const { step } = documents.edit('Lay modules', session.getState().optionId, (before) => ({
      ...before,
      [array.id]: array,
    }))
    session.setState({ selection: { kind: 'object', id: array.id } })
    toast(session, laidWords(this.context, count), step)
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null, hover: null })
    this.leave()
  }

  get #words() {
    return this.context.sayer().words.tools.lay
  }
}
