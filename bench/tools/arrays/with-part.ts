import { type PanelArray } from '@/core/kinds/array/array'
import { objectIdsOf } from '../../store/selection'
import { type ToolContext } from '../chart'
import { isLocked } from '../select/lock'
import type * as Deeds from './deeds'

/**
 * Does something with the one array that is selected, where it has a part of its plane to itself; what is done and said
 * then is fetched when it is asked for.
 * @returns false where none is
 */
export function withPart(
  context: ToolContext,
  run: (deeds: typeof Deeds, array: PanelArray) => void,
): boolean {
  const ids = objectIdsOf(context.session.getState().selection)
  const array = ids.length === 1 ? context.option()[ids[0] ?? ''] : undefined
  if (array?.kind !== 'array' || !array.part || isLocked(array)) return false
  void import('./deeds').then((deeds) => run(deeds, array))
  return true
}
