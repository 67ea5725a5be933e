import { type Vec2 } from '@/core/geometry/vector'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { mirroredPoint } from '@/core/kinds/mirror'
import { type MirrorAxis } from '@/core/kinds/standing'
import { Fault } from '@/core/model/fault'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { standingObject, withChanged } from '../standing-objects'
import { companyOf } from './company'
import { previewReshaped } from './reshape'

/** Turns what is selected over about its middle, with what stands on it; modules stay on their planes. */
export function mirrorSelected(context: ToolContext, axis: MirrorAxis): boolean {
  const { documents, session } = context
  const { selection } = session.getState()
  const found = selection?.kind === 'object' ? standingObject(context, selection.id) : undefined
  const movement = found?.standing.move
  if (!found || !movement) return false
  const { object, documentId } = found
  if (!movement.mirrored) {
    toast(session, 'It looks the same both ways.')
    return true
  }
  const middle = movement.middle(object)
  const company = companyOf(context, object)
  try {
    const change = movement.mirrored(object, axis)
    found.standing.check({ ...object, ...change.fields } as AnyObject)
    documents.begin()
    previewReshaped(documents, { documentId, objectId: object.id }, change)
    const turned = documents.document(documentId)
    documents.preview(documentId, () =>
      company.reduce(
        (after, { id }) => withChanged(after, id, (one) => turnedAbout(one, middle, axis)),
        turned,
      ),
    )
    const { fault, step } = documents.commit('Mirror')
    if (fault) throw fault
    toast(session, 'Mirrored.', step)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    toast(session, context.sayer().fault(error))
  }
  return true
}

/** What stands on a mirrored object comes to the other side of its middle. */
function turnedAbout(one: AnyObject, about: Vec2, axis: MirrorAxis): Partial<AnyObject> {
  const movement = kindOf(one).standing?.move
  if (!movement) return {}
  const turned = movement.mirrored?.(one, axis).fields
  const place = movement.to(
    { ...one, ...turned } as AnyObject,
    mirroredPoint(movement.middle(one), about, axis),
  )
  // Both are fields of the object's own kind.
  return { ...turned, ...place } as Partial<AnyObject>
}
