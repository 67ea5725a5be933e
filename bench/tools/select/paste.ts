import { sub2, type Vec2 } from '@/core/geometry/vector'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { boxMiddle } from '@/core/kinds/mirror'
import { readCopied } from '@/core/kinds/read-copied'
import { Fault } from '@/core/model/fault'
import { ofObjects } from '../../store/selection'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { previewCopies } from './copies'

/** Where a copy is put when no pointer says where, m from its original. */
const asideM: Vec2 = [2, -2]

/**
 * Puts what was copied where the pointer is, and selects it; here or in another job.
 * @param at on the ground or the roof; null beside where it was
 * @returns false for a text that is something else
 */
export function pasteCopied(context: ToolContext, text: string, at: Vec2 | null): boolean {
  const { documents, session } = context
  try {
    const copied = readCopied(text)
    if (!copied) return false
    const house = new Set(copied.house.map(({ id }) => id))
    const option = copied.option.filter((one) => {
      const owner = kindOf(one).standing?.carrier?.liesOn(one) ?? null
      // Modules without their roof have nowhere to lie.
      return owner === null || house.has(owner)
    })
    const middles = [...copied.house, ...option].flatMap(middleOf)
    if (middles.length === 0) return false
    documents.begin()
    const copyIds = previewCopies(
      context,
      { house: copied.house, options: { [session.getState().optionId]: option } },
      at ? sub2(at, boxMiddle(middles)) : asideM,
    )
    const { fault, step } = documents.commit('Paste')
    if (fault) throw fault
    const pasted = [...copied.house, ...option].filter((one) => middleOf(one).length > 0)
    session.setState({ selection: ofObjects(pasted.map(({ id }) => copyIds.get(id) ?? id)) })
    toast(session, pasted.length === 1 ? 'Pasted.' : `${pasted.length} objects pasted.`, step)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    documents.cancel()
    toast(session, context.sayer().fault(error))
  }
  return true
}

function middleOf(object: AnyObject): Vec2[] {
  const movement = kindOf(object).standing?.move
  return movement ? [movement.middle(object)] : []
}
