import { writeCopied } from '@/core/kinds/copied'
import { objectIdsOf } from '../../store/selection'
import { type ToolContext } from '../chart'
import { partyOf } from './company'
import { originalsOf } from './copies'

/** What is selected, with what stands and lies on it, as a text for the clipboard; null where nothing is. */
export function copySelected(context: ToolContext): string | null {
  const { session } = context
  const { chosen, company } = partyOf(context, objectIdsOf(session.getState().selection))
  if (chosen.length === 0) return null
  const { house, options } = originalsOf(context, [...chosen.map(({ object }) => object), ...company])
  return writeCopied({ house, option: options[session.getState().optionId] ?? [] })
}
