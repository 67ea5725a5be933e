import { newId } from '@/core/model/new-id'
import { arrayIdPrefix, defaultArray, type PanelArray } from '@/core/model/kinds/array'
import { ofKind } from '@/core/model/document'
import { toast } from '../../store/session'
import { type PointerInput, ToolState } from '../chart'
import { showSketch } from '../trace/sketch'

/** Fills the clicked roof plane with modules; stays in hand for the next plane. */
export class Laying extends ToolState {
  override enter(): void {
    showSketch(this.context, { message: 'Click a roof plane to fill it with modules.' })
  }

  override move(input: PointerInput): void {
    const hover = input.hit?.kind === 'plane' ? `${input.hit.volumeId}/e${input.hit.edgeIndex}` : null
    if (this.context.session.getState().hover !== hover) this.context.session.setState({ hover })
  }

  override press({ hit }: PointerInput): void {
    if (hit?.kind === 'panel' || hit?.kind === 'slot') {
      this.context.session.setState({ selection: { kind: 'object', id: hit.arrayId }, sketch: null })
      this.leave()
      return
    }
    if (hit?.kind !== 'plane') {
      showSketch(this.context, {
        message: 'No roof plane there. Click a roof plane to fill it with modules.',
      })
      return
    }
    const { volumeId, edgeIndex } = hit
    const volume = this.context.documents.house[volumeId]
    if (volume?.kind === 'volume' && volume.role === 'neighbour') {
      showSketch(this.context, {
        message: 'This is a neighbour’s roof. Make it part of the house on its card first.',
      })
      return
    }
    const there = ofKind(this.context.option(), 'array').find(
      (a) => a.volumeId === volumeId && a.edgeIndex === edgeIndex,
    )
    if (there) {
      this.context.session.setState({ selection: { kind: 'object', id: there.id } })
      return
    }
    const array: PanelArray = {
      ...defaultArray,
      id: newId(arrayIdPrefix, this.context.random),
      volumeId,
      edgeIndex,
    }
    this.context.documents.edit('Lay modules', this.context.session.getState().optionId, (before) => ({
      ...before,
      [array.id]: array,
    }))
    const laid = this.context.scene().laid.arrays.find((a) => a.id === array.id)
    const count = laid?.panels.length ?? 0
    this.context.session.setState({ selection: { kind: 'object', id: array.id } })
    if (count === 0) {
      this.context.documents.undo()
      this.context.session.setState({ selection: null })
      showSketch(this.context, {
        message:
          'Within the setbacks no module fits this plane. Choose a smaller module, or narrower setbacks.',
      })
      return
    }
    toast(this.context.session, `${count} modules laid.`, true)
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null, hover: null })
    this.leave()
  }
}
