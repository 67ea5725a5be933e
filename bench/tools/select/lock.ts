import { type AnyObject } from '@/core/kinds/index'
import { objectIdsOf } from '../../store/selection'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { standingObject, withChanged } from '../standing-objects'

export const isLocked = (object: AnyObject): boolean => 'locked' in object && object.locked === true

/** Of some objects those that hands may move; when there are others, it is said. */
export function unlockedOf<T extends { readonly object: AnyObject }>(
  context: Pick<ToolContext, 'session' | 'sayer'>,
  found: readonly T[],
): readonly T[] {
  const held = found.filter(({ object }) => isLocked(object))
  const [first] = held
  if (first) {
    const name = held.length === 1 ? context.sayer().name(first.object.id) : `${held.length} objects`
    toast(context.session, `${name} ${held.length === 1 ? 'is' : 'are'} locked. Press N to unlock.`)
  }
  return found.filter(({ object }) => !isLocked(object))
}

/** Locks what is selected; unlocks it where all of it is locked. */
export function lockOrUnlock(context: ToolContext): boolean {
  const { documents, session } = context
  const found = objectIdsOf(session.getState().selection).flatMap((id) => {
    const one = standingObject(context, id)
    return one?.standing.move || one?.standing.shifted ? [one] : []
  })
  if (found.length === 0) return false
  const locked = !found.every(({ object }) => isLocked(object))
  documents.begin()
  for (const documentId of new Set(found.map((one) => one.documentId)))
    documents.preview(documentId, (before) =>
      found.reduce((after, { object }) => withChanged(after, object.id, () => ({ locked })), before),
    )
  documents.commit(locked ? 'Lock' : 'Unlock')
  return true
}
