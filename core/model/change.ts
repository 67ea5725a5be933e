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

/** An object of which somebody else changed the same meanwhile. */
export interface ConflictOf<T extends ObjectBase> {
  readonly id: string
  /** Fields that both changed; none where one of the two took the object away or both made it. */
  readonly fields: readonly string[]
  /** As it is now. */
  readonly theirs: T | null
  /** As this change wanted it. */
  readonly ours: T | null
}

/** What a change comes to on a state it was not made on. */
export interface MergeOf<T extends ObjectBase> {
  /** All of the change but what is in conflict. */
  readonly objects: ObjectsOf<T>
  readonly conflicts: readonly ConflictOf<T>[]
}

const fieldsOf = (value: object) => value as Readonly<Record<string, unknown>>

/** Fields that differ between two objects. */
function differing(a: object, b: object): string[] {
  const [x, y] = [fieldsOf(a), fieldsOf(b)]
  return [...new Set([...Object.keys(x), ...Object.keys(y)])].filter(
    (field) => !sameValue(x[field], y[field]),
  )
}

/** Three ways: what changed between `from` and `to`, done to `now`; fields that changed there too stay as they are. */
function mergeObject<T extends ObjectBase>(now: T, from: T, to: T): { object: T; fields: string[] } {
  const changed = differing(from, to)
  const fields = changed.filter(
    (field) =>
      !sameValue(fieldsOf(now)[field], fieldsOf(from)[field]) &&
      !sameValue(fieldsOf(now)[field], fieldsOf(to)[field]),
  )
  const next: Record<string, unknown> = { ...fieldsOf(now) }
  for (const field of changed) {
    if (fields.includes(field)) continue
    if (Object.hasOwn(to, field)) next[field] = fieldsOf(to)[field]
    else delete next[field]
  }
  // Of the fields that objects of this kind have.
  return { object: next as unknown as T, fields }
}

/**
 * Does a change to a state that others may have changed since it was made. Fields of one object merge; what both
 * changed to different values is in conflict and stays as it is. What both made the same is no conflict.
 * @param allows whether an object may be as it comes out of two hands; where not, all its changed fields are in conflict
 */
export function mergeChange<T extends ObjectBase>(
  current: ObjectsOf<T>,
  change: ChangeOf<T>,
  allows: (object: T) => boolean = () => true,
): MergeOf<T> {
  const objects: Record<string, T> = { ...current }
  const conflicts: ConflictOf<T>[] = []
  const at = (id: string): T | undefined => (Object.hasOwn(current, id) ? current[id] : undefined)
  for (const [id, to] of Object.entries(change.added)) {
    const now = at(id)
    if (!now) objects[id] = to
    else if (!sameValue(now, to)) conflicts.push({ id, fields: [], theirs: now, ours: to })
  }
  for (const [id, [from, to]] of Object.entries(change.updated)) {
    const now = at(id)
    if (!now) {
      conflicts.push({ id, fields: [], theirs: null, ours: to })
      continue
    }
    if (sameValue(now, from) || sameValue(now, to)) {
      objects[id] = to
      continue
    }
    const { object, fields } = mergeObject(now, from, to)
    const clash = fields.length === 0 && !allows(object) ? differing(from, to) : fields
    if (clash.length > 0) conflicts.push({ id, fields: clash, theirs: now, ours: to })
    if (clash.length === 0 || clash === fields) objects[id] = allows(object) ? object : now
  }
  for (const [id, from] of Object.entries(change.removed)) {
    const now = at(id)
    if (!now) continue
    if (sameValue(now, from)) delete objects[id]
    else conflicts.push({ id, fields: [], theirs: now, ours: null })
  }
  return { objects, conflicts }
}

/**
 * A change as it is wanted after an answer to its conflicts: on top of what is there now, with the fields in conflict
 * as they were wanted, or without them.
 */
export function answeredChange<T extends ObjectBase>(
  current: ObjectsOf<T>,
  change: ChangeOf<T>,
  answer: 'ours' | 'theirs',
  allows: (object: T) => boolean = () => true,
): ChangeOf<T> {
  const { objects, conflicts } = mergeChange(current, change, allows)
  if (answer === 'theirs') return changeBetween(current, objects)
  const wanted: Record<string, T> = { ...objects }
  for (const { id, fields, theirs, ours } of conflicts) {
    if (!ours) delete wanted[id]
    else if (!theirs || fields.length === 0) wanted[id] = ours
    else {
      const next: Record<string, unknown> = { ...fieldsOf(wanted[id] ?? theirs) }
      for (const field of fields)
        if (Object.hasOwn(ours, field)) next[field] = fieldsOf(ours)[field]
        else delete next[field]
      const object = next as unknown as T
      wanted[id] = allows(object) ? object : ours
    }
  }
  return changeBetween(current, wanted)
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
