import { type Vec2 } from '@/core/geometry/vector'
import { type AnyObject, kindOf } from '@/core/kinds/index'
import { turnedPoint } from '@/core/kinds/turn'
import { Fault } from '@/core/model/fault'
import { objectIdsOf } from '../../store/selection'
import { type ToolContext } from '../chart'
import { freeParty, previewChanged } from './company'
import { middleOfChosen } from './mirror'

/**
 * Turns what is selected about its middle, with what stands on it.
 * @param clockwiseDeg as the compass counts
 * @returns what is wrong; null when it was done
 */
export function turnSelected(context: ToolContext, clockwiseDeg: number): Fault | null {
  const { documents, session } = context
  const ids = objectIdsOf(session.getState().selection)
  const party = freeParty(context, ids)
  // What is locked has been named.
  if (party.chosen.length === 0) return new Fault(ids.length > 0 ? 'nothing-to-turn' : 'gone')
  const about = middleOfChosen(party)
  documents.begin()
  previewChanged(context, party, (object) => turned(object, about, clockwiseDeg))
  try {
    for (const { object, documentId, standing } of party.chosen) {
      const after = documents.document(documentId)[object.id]
      if (after) standing.check(after)
    }
  } catch (error) {
    documents.cancel()
    if (error instanceof Fault) return error
    throw error
  }
  return documents.commit('Turn').fault
}

function turned(object: AnyObject, about: Vec2, clockwiseDeg: number): Partial<AnyObject> {
  const movement = kindOf(object).standing?.move
  if (!movement) return {}
  return (
    movement.turned?.(object, about, clockwiseDeg) ??
    movement.to(object, turnedPoint(movement.middle(object), about, clockwiseDeg))
  )
}
