import { type Hit } from '@/core/site/pick'
import { modulesOf, objectIdsOf, ofObjects, ownerIds, toggled, type Selection } from '../../store/selection'
import { type Grip, type KeyInput, type PointerInput, type ToolContext, ToolState } from '../chart'
import { movementOf, standingObject } from '../standing-objects'
import { Boxing } from './boxing'
import { DraggingHandle } from './dragging-handle'
import { nudge, removeSelected, restoreSlot } from './edits'
import { isLocked } from './lock'
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
    const before = session.getState().selection
    const one = selectionOf(hit)
    if (input.shift && one) {
      session.setState({ selection: toggled(before, meantWith(before, one)) })
      this.go(new Boxing(this.context, input, before, back))
      return
    }
    // One of several that are chosen: a drag moves all of them, a click means it alone.
    const hitId = ownerIds(one)[0] ?? ''
    if (before?.kind === 'objects' && before.ids.includes(hitId) && canBeDragged(this.context, hitId)) {
      const alone = () => session.setState({ selection: one })
      this.go(new PointingObject(this.context, hitId, input, back, alone))
      return
    }
    // Modules that stand on something movable move with it: a first click means the whole of it.
    const carrierId = hit?.kind === 'panel' && movementOf(this.context, hit.arrayId) ? hit.arrayId : null
    if (carrierId !== null) {
      const chosen = objectIdsOf(before).includes(carrierId)
      if (!chosen) session.setState({ selection: { kind: 'object', id: carrierId } })
      const module = () => session.setState({ selection: one })
      this.go(new PointingObject(this.context, carrierId, input, back, chosen ? module : undefined))
      return
    }
    session.setState({ selection: input.shift ? before : one })
    if (hit?.kind === 'object' && canBeDragged(this.context, hit.id))
      this.go(new PointingObject(this.context, hit.id, input, back))
    else this.go(new Boxing(this.context, input, before, back))
  }

  override move({ hit, grip }: PointerInput): void {
    this.#grip = grip
    const hover = hit && hoveredIn(hit)
    if (this.context.session.getState().hover !== hover) this.context.session.setState({ hover })
  }

  override key({ key, shift }: KeyInput): boolean {
    if (key === 'Delete' || key === 'Backspace') {
      const chosen = objectIdsOf(this.context.session.getState().selection)
      // A grip that was under the pointer when something else was chosen from a list is meant no more.
      const grip = this.#grip && chosen.includes(this.#grip.objectId) ? this.#grip : null
      return (grip && removeCorner(this.context, grip)) || removeSelected(this.context)
    }
    if (key.startsWith('Arrow')) return nudge(this.context, key, shift) || stepModule(this.context, key)
    return false
  }

  override cancel(): void {
    this.context.session.setState({ selection: null, why: null, lit: [] })
  }
}

/** A module that is added to whole objects means the whole of its array; added to its own array, itself. */
function meantWith(before: Selection | null, one: Selection): Selection | null {
  const [arrayId] = modulesOf(one).length > 0 ? ownerIds(one) : []
  const objects = objectIdsOf(before)
  return arrayId !== undefined && objects.some((id) => id !== arrayId) ? ofObjects([arrayId]) : one
}

function canBeDragged(context: ToolContext, id: string): boolean {
  const found = standingObject(context, id)
  return found !== undefined && !isLocked(found.object) && (found.standing.move?.along ?? 'grip') !== 'grip'
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
