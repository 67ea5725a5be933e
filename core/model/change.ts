import { Fault } from './fault'
import { type AnyObject, type Objects } from './document'

/** An edit of one document as a value: undo, saving, history and the live pipeline all use this type. */
export interface Change {
  readonly added: Readonly<Record<string, AnyObject>>
  /** [from, to] */
  readonly updated: Readonly<Record<string, readonly [AnyObject, AnyObject]>>
  readonly removed: Readonly<Record<string, AnyObject>>
}

export const emptyChange: Change = { added: {}, updated: {}, removed: {} }

export const isEmptyChange = (change: Change) =>
  Object.keys(change.added).length +
    Object.keys(change.updated).length +
    Object.keys(change.removed).length ===
  0

/** Two JSON values, the same whatever the order of their keys. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  if (Array.isArray(a) !== Array.isArray(b)) return false
  const keysA = Object.keys(a)
  if (keysA.length !== Object.keys(b).length) return false
  return keysA.every(
    (key) =>
      Object.hasOwn(b, key) &&
      sameValue((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]),
  )
}

/** What brings `before` to `after`. */
export function changeBetween(before: Objects, after: Objects): Change {
  const added: Record<string, AnyObject> = {}
  const updated: Record<string, readonly [AnyObject, AnyObject]> = {}
  const removed: Record<string, AnyObject> = {}
  for (const [id, to] of Object.entries(after)) {
    const from = before[id]
    if (!from) added[id] = to
    else if (!sameValue(from, to)) updated[id] = [from, to]
  }
  for (const [id, from] of Object.entries(before)) if (!Object.hasOwn(after, id)) removed[id] = from
  return { added, updated, removed }
}

/** The document after the change. Objects are replaced, never altered. */
export function applyChange(objects: Objects, change: Change): Objects {
  const next: Record<string, AnyObject> = { ...objects }
  for (const id of Object.keys(change.removed)) delete next[id]
  for (const [id, object] of Object.entries(change.added)) next[id] = object
  for (const [id, [, to]] of Object.entries(change.updated)) next[id] = to
  return next
}

/** The change that takes this one back. */
export function invertChange(change: Change): Change {
  return {
    added: change.removed,
    updated: Object.fromEntries(
      Object.entries(change.updated).map(([id, [from, to]]) => [id, [to, from] as const]),
    ),
    removed: change.added,
  }
}

/** One change that does what `first` and then `second` do. */
export function composeChanges(first: Change, second: Change): Change {
  const touched = new Set(
    [first, second].flatMap((c) => [
      ...Object.keys(c.added),
      ...Object.keys(c.updated),
      ...Object.keys(c.removed),
    ]),
  )
  const before: Record<string, AnyObject> = {}
  for (const id of touched) {
    const from =
      first.removed[id] ??
      first.updated[id]?.[0] ??
      (first.added[id] ? undefined : (second.removed[id] ?? second.updated[id]?.[0]))
    if (from) before[id] = from
  }
  return changeBetween(before, applyChange(applyChange(before, first), second))
}

/** An object that somebody else changed meanwhile: what is stored and what this change wanted. */
export interface Conflict {
  readonly id: string
  readonly theirs: AnyObject | null
  readonly ours: AnyObject | null
}

/**
 * Where a change made on an older state meets objects that are no longer as it found them. Objects that both made
 * the same are no conflict.
 */
export function conflictsOf(current: Objects, change: Change): Conflict[] {
  const conflicts: Conflict[] = []
  const check = (id: string, from: AnyObject | undefined, to: AnyObject | undefined) => {
    const now = current[id]
    if (sameValue(now, from) || sameValue(now, to)) return
    conflicts.push({ id, theirs: now ?? null, ours: to ?? null })
  }
  for (const [id, to] of Object.entries(change.added)) check(id, undefined, to)
  for (const [id, [from, to]] of Object.entries(change.updated)) check(id, from, to)
  for (const [id, from] of Object.entries(change.removed)) check(id, from, undefined)
  return conflicts
}

/**
 * Refuses ids that do not match their object.
 * @throws Fault `bad-change`.
 */
export function checkChange(change: Change): void {
  const wrong = [
    ...Object.entries(change.added).map(([id, o]) => [id, o.id, o.id]),
    ...Object.entries(change.updated).map(([id, [a, b]]) => [id, a.id, b.id]),
    ...Object.entries(change.removed).map(([id, o]) => [id, o.id, o.id]),
  ].find(([id, a, b]) => id !== a || id !== b)
  if (wrong)
    throw new Fault('bad-change', `The entry "${String(wrong[0])}" holds another object.`, String(wrong[0]))
}
