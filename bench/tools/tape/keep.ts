import { type Vec3 } from '@/core/geometry/vector'
import { highestEndM, lowestEndM, type Dimension } from '@/core/kinds/dimension/dimension'
import { ofKind } from '@/core/kinds/documents'
import { inWorld, round } from '@/core/kinds/place'
import { newId } from '@/core/model/new-id'
import { houseId } from '../../store/documents'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { nameAmong } from '../placing'
import { tapeWordsOf } from './reading'

/** Keeps a measured distance as an object of the house, and takes it in hand. */
export function keep(context: ToolContext, [from, to]: readonly [Vec3, Vec3]): void {
  const { documents, session } = context
  const dimension: Dimension = {
    id: newId('dimension', context.random),
    kind: 'dimension',
    name: nameAmong(context, 'dimension', ofKind(documents.house, 'dimension')),
    from: endAt(from),
    to: endAt(to),
  }
  const { fault } = documents.edit(tapeWordsOf(context).words.label, houseId, (before) => ({
    ...before,
    [dimension.id]: dimension,
  }))
  session.setState({ sketch: null, ...(fault ? {} : { selection: { kind: 'object', id: dimension.id } }) })
  if (fault) toast(session, context.sayer().fault(fault))
}

function endAt([x, y, z]: Vec3): Dimension['from'] {
  const [east, north] = inWorld([x, y])
  return [east, north, round(Math.max(lowestEndM, Math.min(highestEndM, z)))]
}
