import { Fault } from './fault'
import { type ObjectBase, type ObjectsOf } from './object-base'

/** An edit of one document as a value: undo, saving, history and the live numbers all use this type. */
export interface ChangeOf<T extends ObjectBase> {
  readonly added: ObjectsOf<T>
  /** [from, to] */
  readonly updated: Readonly<Record<string, readonly [T, T]>>
  readonly removed: ObjectsOf<T>
}

export const isEmptyChange = (change: ChangeOf<ObjectBase>) =>
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
export function changeBetween<T extends ObjectBase>(before: ObjectsOf<T>, after: ObjectsOf<T>): ChangeOf<T> {
  const added: Record<string, T> = {}
  const updated: Record<string, readonly [T, T]> = {}
  const removed: Record<string, T> = {}
  for (const [id, to] of Object.entries(after)) {
    const from = before[id]
    if (!from) added[id] = to
    else if (!sameValue(from, to)) updated[id] = [from, to]
  }
  for (const [id, from] of Object.entries(before)) if (!Object.hasOwn(after, id)) removed[id] = from
  return { added, updated, removed }
}

/** The document after the change. Objects are replaced, never altered. */
export function applyChange<T extends ObjectBase>(objects: ObjectsOf<T>, change: ChangeOf<T>): ObjectsOf<T> {
  const next: Record<string, T> = { ...objects }
  for (const id of Object.keys(change.removed)) delete next[id]
  for (const [id, object] of Object.entries(change.added)) next[id] = object
  for (const [id, [, to]] of Object.entries(change.updated)) next[id] = to
  return next
}

/** The change that takes this one back. */
export function invertChange<T extends ObjectBase>(change: ChangeOf<T>): ChangeOf<T> {
  return {
    added: change.removed,
    updated: Object.fromEntries(
      Object.entries(change.updated).map(([id, [from, to]]) => [id, [to, from] as const]),
    ),
    removed: change.added,
  }
}

/** An object that somebody else changed meanwhile: what is stored and what this change wanted. */
export interface ConflictOf<T extends ObjectBase> {
  readonly id: string
  readonly theirs: T | null
  readonly ours: T | null
}

/**
 * Where a change made on an older state meets objects that are no longer as it found them. Objects that both made
 * the same are no conflict.
 */
export function conflictsOf<T extends ObjectBase>(
  current: ObjectsOf<T>,
  change: ChangeOf<T>,
): ConflictOf<T>[] {
  const conflicts: ConflictOf<T>[] = []
  const check = (id: string, from: T | undefined, to: T | undefined) => {
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
export function checkChange(change: ChangeOf<ObjectBase>): void {
  const wrong = [
    ...Object.entries(change.added).map(([id, o]) => [id, o.id, o.id]),
    ...Object.entries(change.updated).map(([id, [a, b]]) => [id, a.id, b.id]),
    ...Object.entries(change.removed).map(([id, o]) => [id, o.id, o.id]),
  ].find(([id, a, b]) => id !== a || id !== b)
  if (wrong) throw new Fault('bad-change', { id: String(wrong[0]) }, String(wrong[0]))
}
