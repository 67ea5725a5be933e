import { round } from '@/core/kinds/place'
import { toDegrees } from '@/core/model/units'
import { type Hit } from '@/core/site/pick'
import { type ToolContext } from '../tools/chart'

/** The turn of a building's first side, so that what is put on its roof stands square to it; 0 elsewhere. */
export function turnAlong(context: ToolContext, hit: Hit | null): number {
  const volume = hit?.kind === 'face' ? context.documents.house[hit.objectId] : undefined
  const [a, b] = volume?.kind === 'volume' ? volume.outline : []
  return a && b ? round(toDegrees(Math.atan2(b[1] - a[1], b[0] - a[0]))) : 0
}
