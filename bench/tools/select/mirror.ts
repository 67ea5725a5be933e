import { type Vec2 } from '@/core/geometry/vector'
import { type Objects } from '@/core/kinds/documents'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { boxMiddle, mirroredInPlan, mirroredPoint } from '@/core/kinds/mirror'
import { type MirrorAxis } from '@/core/kinds/standing'
import { Fault } from '@/core/model/fault'
import { objectIdsOf } from '../../store/selection'
import { houseId } from '../../store/documents'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { withPart } from '../arrays/with-part'
import { withChanged } from '../standing-objects'
import { freeParty, type Party } from './company'
import { hasArraysOn, withMirroredArrays } from './mirrored-arrays'
import { renumbered } from './reshape'

/** Turns what is selected over about its middle, with what stands on it; modules are mirrored on their planes. */
export function mirrorSelected(context: ToolContext, axis: MirrorAxis): boolean {
  const { documents, session } = context
  const party = freeParty(context, objectIdsOf(session.getState().selection))
  const { chosen } = party
  const [first] = chosen
  if (!first)
    return withPart(context, (deeds, array) =>
      deeds.flipArray(context, array, axis === 'east-west' ? 'eave' : 'slope'),
    )
  if (chosen.length === 1 && !first.standing.move?.mirrored) {
    toast(session, 'It looks the same both ways.')
    return true
  }
  try {
    documents.begin()
    previewMirrored(context, party, axis)
    for (const { object, documentId, standing } of chosen) {
      const turned = documents.document(documentId)[object.id]
      if (turned) standing.check(turned)
    }
    const { fault, step } = documents.commit('Mirror')
    if (fault) throw fault
    toast(session, 'Mirrored.', step)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    documents.cancel()
    toast(session, context.sayer().fault(error))
  }
  return true
}

/** The middle of what is chosen, in plan. */
export const middleOfChosen = ({ chosen }: Party): Vec2 =>
  boxMiddle(chosen.flatMap(({ object, standing }) => (standing.move ? [standing.move.middle(object)] : [])))

function previewMirrored(context: ToolContext, party: Party, axis: MirrorAxis): void {
  const { documents } = context
  const about = middleOfChosen(party)
  const over = (p: Vec2) => mirroredInPlan(p, about, axis)
  const all = [...party.chosen.map(({ object }) => object), ...party.company]
  const owners = new Set(all.map(({ id }) => id))
  const before = new Map(
    documents.options.flatMap(({ id }) => {
      const option = documents.document(id)
      return hasArraysOn(option, owners) ? [[id, context.siteWith(option)] as const] : []
    }),
  )
  // The house first: what lies on the sides of a mirrored building finds them under other numbers, in every option.
  const ids = new Set([
    ...party.chosen.map((one) => one.documentId).filter((id) => id === houseId),
    ...party.chosen.map((one) => one.documentId),
    ...documents.options.map(({ id }) => id),
  ])
  for (const id of ids)
    documents.preview(id, (objects) => {
      const turned = all.reduce((after: Objects, one) => {
        const reshape = kindOf(one).standing?.move?.mirrored?.(one, axis)
        const own = withChanged(after, one.id, () => turnedAbout(one, about, axis))
        return reshape ? renumbered(own, one.id, reshape.sideAfter) : own
      }, objects)
      const site = before.get(id)
      return site ? withMirroredArrays(context, turned, owners, site, over) : turned
    })
}

/** What is mirrored comes to the other side of a middle. */
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
