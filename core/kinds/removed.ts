import { type Objects } from './documents'
import { kindOf, type AnyObject } from './index'
import { type Carrier } from './standing'

/** How an object carries modules; null where it is none that does. */
export const carrierOf = (objects: Objects, id: string): Carrier<AnyObject> | null => {
  const object = objects[id]
  return object ? (kindOf(object).standing?.carrier ?? null) : null
}

/** An option with other places of an array left empty; the same where there is no such array. */
export function withRemoved(
  objects: Objects,
  arrayId: string,
  recipe: (removed: readonly string[]) => readonly string[],
): Objects {
  const [carrier, object] = [carrierOf(objects, arrayId), objects[arrayId]]
  if (!carrier || !object) return objects
  const changed = { ...object, ...carrier.withRemoved(object, recipe(carrier.removed(object))) } as AnyObject
  return { ...objects, [arrayId]: changed }
}

/** An option with those of its modules alone that are kept. */
export function trimmed(
  option: Objects,
  panels: readonly { readonly id: string; readonly arrayId: string; readonly slot: string }[],
  kept: ReadonlySet<string>,
): Objects {
  const dropped = new Map<string, string[]>()
  for (const { id, arrayId, slot } of panels)
    if (!kept.has(id)) dropped.set(arrayId, [...(dropped.get(arrayId) ?? []), slot])
  return [...dropped].reduce(
    (after, [arrayId, slots]) => withRemoved(after, arrayId, (removed) => [...removed, ...slots]),
    option,
  )
}
