import { type Objects } from '@/core/kinds/documents'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { type Movement, type Standing } from '@/core/kinds/standing'
import { houseId } from '../store/documents'
import { type ToolContext } from './chart'

/** An object of the house or of the option on the screen, with the document it is in and what it is in space. */
export interface FoundObject {
  readonly object: AnyObject
  readonly documentId: string
  readonly standing: Standing<AnyObject>
}

/** What stands under an id; undefined for what stands nowhere. */
export function standingObject(context: ToolContext, id: string): FoundObject | undefined {
  const inHouse = context.documents.house[id]
  const object = inHouse ?? context.option()[id]
  const standing = object && kindOf(object).standing
  return object && standing
    ? { object, standing, documentId: inHouse ? houseId : context.session.getState().optionId }
    : undefined
}

/** How an object can be moved as a whole; null for one that can't. */
export const movementOf = (context: ToolContext, id: string): Movement<AnyObject> | null =>
  standingObject(context, id)?.standing.move ?? null

/** The document with some fields of one object changed. */
export function withChanged(
  objects: Objects,
  id: string,
  fields: (object: AnyObject) => Partial<AnyObject>,
): Objects {
  const object = objects[id]
  // The fields are the object's own kind's.
  return object ? { ...objects, [id]: { ...object, ...fields(object) } as AnyObject } : objects
}
