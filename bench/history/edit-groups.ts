import { sameValue } from '@/core/model/change'
import { type PastEdit } from './reel'

/** Edits of one hand to the same fields of the same things, one right after the other: one line of the list. */
export interface EditGroup {
  /** The newest of them, and where it stands in the log from now backwards. */
  readonly edit: PastEdit
  readonly index: number
  readonly count: number
}

/** Longest pause within a group, ms. */
const longestPauseMs = 5 * 60_000

/** What an edit changed, as a text; null where it made or took away something, which is told by itself. */
const keys = new WeakMap<PastEdit, string | null>()
function keyOf(edit: PastEdit): string | null {
  const known = keys.get(edit)
  if (known !== undefined) return known
  const { added, removed, updated } = edit.change
  const key =
    Object.keys(added).length + Object.keys(removed).length > 0
      ? null
      : [
          edit.by,
          edit.documentId,
          ...Object.keys(updated)
            .sort()
            .map((id) => fieldsOf(id, updated)),
        ].join()
  keys.set(edit, key)
  return key
}

function fieldsOf(id: string, updated: PastEdit['change']['updated']): string {
  const [from, to] = (updated[id] ?? []) as unknown as readonly Readonly<Record<string, unknown>>[]
  const changed = Object.keys({ ...from, ...to }).filter((field) => !sameValue(from?.[field], to?.[field]))
  return `${id}:${changed.sort().join('+')}`
}

/** @param edits the newest first; @param by of one designer, or of all ("") */
export function editGroups(edits: readonly PastEdit[], by = ''): EditGroup[] {
  const groups: EditGroup[] = []
  let oldest: PastEdit | null = null
  edits.forEach((edit, index) => {
    const last = groups.at(-1)
    const key = keyOf(edit)
    const goesOn =
      last &&
      oldest &&
      key !== null &&
      keyOf(oldest) === key &&
      last.index + last.count === index &&
      Date.parse(oldest.at) - Date.parse(edit.at) <= longestPauseMs
    if (goesOn) groups[groups.length - 1] = { ...last, count: last.count + 1 }
    else if (by === '' || edit.by === by) groups.push({ edit, index, count: 1 })
    else return
    oldest = edit
  })
  return groups
}
