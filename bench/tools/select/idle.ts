import { type Hit } from '@/core/site/pick'
import { type Grip, type KeyInput, type PointerInput, ToolState } from '../chart'
import { movementOf } from '../standing-objects'
import { DraggingHandle } from './dragging-handle'
import { nudge, removeSelected, restoreSlot } from './edits'
import { PointingObject } from './pointing-object'
import { removeCorner } from './reshape'
import { stepModule } from './step-module'

/** Waits for a grip, an object or a module. */
export class SelectIdle extends ToolState {
  /** Under the pointer. */
  #grip: Grip | null = null

  override press(input: PointerInput): void {
    const back = () => new SelectIdle(this.context)
    const { hit, grip } = input
    if (grip?.handle.whole) {
      this.go(new PointingObject(this.context, grip.objectId, input, back))
      return
    }
    if (grip) {
      this.go(new DraggingHandle(this.context, grip, input, back))
      return
    }
    if (hit?.kind === 'slot') {
      restoreSlot(this.context, hit.arrayId, hit.slot)
      return
    }
    const { session } = this.context
    // Modules that stand on something movable move with it: a first click means the whole of it.
    const carrierId = hit?.kind === 'panel' && movementOf(this.context, hit.arrayId) ? hit.arrayId : null
    if (carrierId !== null) {
      const chosen = session.getState().selection?.id === carrierId
      if (!chosen) session.setState({ selection: { kind: 'object', id: carrierId } })
      const one = () => session.setState({ selection: selectionOf(hit) })
      this.go(new PointingObject(this.context, carrierId, input, back, chosen ? one : undefined))
      return
    }
    session.setState({ selection: selectionOf(hit) })
    if (hit?.kind === 'object' && (movementOf(this.context, hit.id)?.along ?? 'grip') !== 'grip')
      this.go(new PointingObject(this.context, hit.id, input, back))
  }

  override move({ hit, grip }: PointerInput): void {
    this.#grip = grip
    const hover = hit && hoveredIn(hit)
    if (this.context.session.getState().hover !== hover) this.context.session.setState({ hover })
  }

  override key({ key, shift }: KeyInput): boolean {
    if (key === 'Delete' || key === 'Backspace') {
      // A grip that was under the pointer when something else was chosen from a list is meant no more.
      const grip = this.#grip?.objectId === this.context.session.getState().selection?.id ? this.#grip : null
      return (grip && removeCorner(this.context, grip)) || removeSelected(this.context)
    }
    if (key.startsWith('Arrow')) return nudge(this.context, key, shift) || stepModule(this.context, key)
    return false
  }

  override cancel(): void {
    this.context.session.setState({ selection: null, why: null, lit: [] })
  }
}

/** The object that a hit is about. */
function hoveredIn(hit: Hit): string {
  if (hit.kind === 'face') return hit.objectId
  return hit.kind === 'slot' ? hit.arrayId : hit.id
}

const selectionOf = (hit: Hit | null) => {
  if (hit?.kind === 'panel') return { kind: 'panel', id: hit.id, arrayId: hit.arrayId } as const
  if (hit?.kind === 'face') return { kind: 'object', id: hit.objectId } as const
  if (hit?.kind === 'object') return { kind: 'object', id: hit.id } as const
  return null
}
