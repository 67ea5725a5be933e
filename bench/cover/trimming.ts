import { type Objects } from '@/core/kinds/documents'
import { type TrimPanel } from '@/core/readers/trim-to'
import { withRemoved } from '../tools/select/edits'

/** An option with those of its modules alone that are kept. */
export function trimmed(option: Objects, panels: readonly TrimPanel[], kept: ReadonlySet<string>): Objects {
  const dropped = new Map<string, string[]>()
  for (const { id, arrayId, slot } of panels)
    if (!kept.has(id)) dropped.set(arrayId, [...(dropped.get(arrayId) ?? []), slot])
  return [...dropped].reduce(
    (after, [arrayId, slots]) => withRemoved(after, arrayId, (removed) => [...removed, ...slots]),
    option,
  )
}
