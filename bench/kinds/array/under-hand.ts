import { faceOf } from '@/core/kinds/below'
import { coverId } from '@/core/kinds/cover/cover'
import { ofKind } from '@/core/kinds/documents'
import { defaultArray, type PanelArray } from '@/core/kinds/array/array'
import { type Margins } from '@/core/kinds/standing'
import { setbacksOn } from '@/core/setbacks/edges'
import { standingById } from '@/core/site/site'
import { type PointerInput, type ToolContext } from '../../tools/chart'

/** A roof plane that modules may be laid on, and what they keep off there. */
export interface PlaneUnderHand extends Pick<PanelArray, 'volumeId' | 'edgeIndex' | 'step'> {
  readonly margins: Margins
}

/** The plane under the hand, or under the modules there; a neighbour's is told apart from none. */
export function planeUnder(context: ToolContext, { hit }: PointerInput): PlaneUnderHand | 'neighbour' | null {
  const on = placeOf(context, hit)
  if (!on) return null
  const { volumeId, edgeIndex, step } = on
  const site = context.site()
  const owner = standingById(site, volumeId)
  if (owner?.geometry.faded) return 'neighbour'
  const objects = owner ? [{ id: volumeId, geometry: owner.whole }] : []
  const plane = faceOf({ objects }, volumeId, edgeIndex, step)
  const cover = context.option()[coverId]
  if (!plane || cover?.kind !== 'cover') return null
  return {
    volumeId,
    edgeIndex,
    step,
    margins: {
      plane,
      setbacksM: setbacksOn(cover.setbacksM, plane),
      obstructions: [],
      gapM: defaultArray.gapM,
    },
  }
}

function placeOf(context: ToolContext, hit: PointerInput['hit']) {
  if (hit?.kind === 'face')
    return { volumeId: hit.objectId, edgeIndex: hit.face.edgeIndex, step: hit.face.step }
  if (hit?.kind !== 'panel' && hit?.kind !== 'slot') return null
  return ofKind(context.option(), 'array').find(({ id }) => id === hit.arrayId) ?? null
}
