import { type KeyInput, type PointerInput, ToolState } from '../chart'
import { movable } from '../movable'
import { type Hit } from '../pick'
import { DraggingHandle } from './dragging-handle'
import { nudge, removeSelected, restoreSlot } from './edits'
import { PointingObject } from './pointing-object'
import { stepModule } from './step-module'

/** Waits for a grip, an object or a module. */
export class SelectIdle extends ToolState {
  override press(input: PointerInput): void {
    if (input.handle) {
      this.go(new DraggingHandle(this.context, input.handle, input, () => new SelectIdle(this.context)))
      return
    }
    const { hit } = input
    if (hit?.kind === 'slot') {
      restoreSlot(this.context, hit.arrayId, hit.slot)
      return
    }
    const back = () => new SelectIdle(this.context)
    const rackId = this.#rackUnder(hit)
    if (rackId !== null && this.context.session.getState().selection?.id !== rackId) {
      this.context.session.setState({ selection: { kind: 'object', id: rackId } })
      this.go(new PointingObject(this.context, rackId, input, back))
      return
    }
    if (rackId !== null) {
      // The rack is selected already: a click means the module, a drag the rack.
      const one = () => this.context.session.setState({ selection: selectionOf(hit) })
      this.go(new PointingObject(this.context, rackId, input, back, one))
      return
    }
    this.context.session.setState({ selection: selectionOf(hit) })
    if (hit?.kind === 'object' && movable(this.context, hit.id))
      this.go(new PointingObject(this.context, hit.id, input, back))
  }

  /** The rack whose module was met. */
  #rackUnder(hit: Hit | null): string | null {
    return hit?.kind === 'panel' && this.context.option()[hit.arrayId]?.kind === 'rack' ? hit.arrayId : null
  }

  override move(input: PointerInput): void {
    const { hit } = input
    const hover =
      hit === null ? null : hit.kind === 'plane' ? hit.volumeId : hit.kind === 'slot' ? hit.arrayId : hit.id
    if (this.context.session.getState().hover !== hover) this.context.session.setState({ hover })
  }

  override key({ key, shift }: KeyInput): boolean {
    if (key === 'Delete' || key === 'Backspace') return removeSelected(this.context)
    if (key.startsWith('Arrow')) return nudge(this.context, key, shift) || stepModule(this.context, key)
    return false
  }

  override cancel(): void {
    this.context.session.setState({ selection: null, why: null, lit: [] })
  }
}

const selectionOf = (hit: Hit | null) => {
  if (hit?.kind === 'panel') return { kind: 'panel', id: hit.id, arrayId: hit.arrayId } as const
  if (hit?.kind === 'plane') return { kind: 'object', id: hit.volumeId } as const
  if (hit?.kind === 'object') return { kind: 'object', id: hit.id } as const
  return null
}
