import { ofKind, type Objects } from '@/core/model/document'
import { houseId } from '../store/documents'
import { type ToolContext } from './chart'

/** A thing with a middle that can be moved, in a document. */
export const movableIn = (objects: Objects, id: string) =>
  [...ofKind(objects, 'chimney'), ...ofKind(objects, 'tree'), ...ofKind(objects, 'rack')].find(
    (object) => object.id === id,
  )

/** The same in the house or in the option on the screen, with the document it is in. */
export function movable(context: ToolContext, id: string) {
  const inHouse = movableIn(context.documents.house, id)
  if (inHouse) return { object: inHouse, documentId: houseId }
  const inOption = movableIn(context.option(), id)
  return inOption && { object: inOption, documentId: context.session.getState().optionId }
}
