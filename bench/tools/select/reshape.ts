import { carrierOf } from '@/core/kinds/removed'
import { type Objects } from '@/core/kinds/documents'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { type Reshape } from '@/core/kinds/standing'
import { Fault } from '@/core/model/fault'
import { houseId, type DocumentStore, type Outcome } from '../../store/documents'
import { toast } from '../../store/session'
import { type Grip, type ToolContext } from '../chart'
import { standingObject, withChanged } from '../standing-objects'

/** Shows an object with a corner more or less; what lies on its sides stays where it is, in every option. */
export function previewReshaped(
  documents: Pick<DocumentStore, 'preview' | 'options'>,
  { documentId, objectId }: { readonly documentId: string; readonly objectId: string },
  { fields, sideAfter }: Reshape<AnyObject>,
): void {
  // Each document is shown once: what is shown of it begins with what it was.
  for (const id of new Set([documentId, ...documents.options.map((option) => option.id)]))
    documents.preview(id, (before) => {
      const after = id === documentId ? withChanged(before, objectId, () => fields) : before
      return id === houseId ? after : renumbered(after, objectId, sideAfter)
    })
}

/** What lies on the sides of an object, under the numbers that they have now. */
export function renumbered(objects: Objects, ownerId: string, sideAfter: (side: number) => number): Objects {
  return Object.keys(objects).reduce((after, id) => {
    const carrier = carrierOf(after, id)
    const object = after[id]
    const fields = object && carrier?.renumbered?.(object, ownerId, sideAfter)
    return fields && Object.keys(fields).length > 0 ? withChanged(after, id, () => fields) : after
  }, objects)
}

/** Does it as one step, unless the object would be none that can stand. @throws Fault */
export function reshape(
  documents: DocumentStore,
  label: string,
  of: { readonly documentId: string; readonly objectId: string },
  change: Reshape<AnyObject>,
): Outcome {
  const object = documents.document(of.documentId)[of.objectId]
  if (!object) throw new Fault('gone')
  kindOf(object).standing?.check({ ...object, ...change.fields } as AnyObject)
  documents.begin()
  previewReshaped(documents, of, change)
  return documents.commit(label)
}

/** Takes the corner under a grip out; false where the grip is none. */
export function removeCorner(context: ToolContext, { objectId, handle }: Grip): boolean {
  const found = standingObject(context, objectId)
  if (!found || handle.corner !== 'own') return false
  const change = found.standing.corners?.remove(found.object, handle.index)
  try {
    if (!change) throw new Fault('few-corners')
    const { fault, step } = reshape(
      context.documents,
      'Delete corner',
      { documentId: found.documentId, objectId },
      change,
    )
    if (fault) throw fault
    toast(context.session, 'Corner deleted.', step)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    toast(context.session, context.sayer().fault(error))
  }
  return true
}
