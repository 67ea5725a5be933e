import { carrierOf } from '@/core/kinds/removed'
import { type Objects } from '@/core/kinds/documents'
import { joinVolumes } from '@/core/kinds/volume/join'
import { type Volume } from '@/core/kinds/volume/volume'
import { signedArea } from '@/core/geometry/polygon'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { Fault } from '@/core/model/fault'
import { houseId } from '../../store/documents'
import { objectIdsOf, ofObjects } from '../../store/selection'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { withChanged } from '../standing-objects'
import { isLocked } from './lock'

/** The buildings among what is selected, the largest first. */
export const buildingsIn = (objects: Objects, ids: readonly string[]): Volume[] =>
  ids
    .flatMap((id) => {
      const object = objects[id]
      return object?.kind === 'volume' && !isLocked(object) ? [object] : []
    })
    .toSorted((a, b) => signedArea(b.outline) - signedArea(a.outline))

/** Makes the selected buildings one, under the name of the largest; modules stay on the sides they lie on, in every option. */
export function joinSelected(context: ToolContext): boolean {
  const { documents, session } = context
  const volumes = buildingsIn(documents.house, objectIdsOf(session.getState().selection))
  const [first, ...others] = volumes
  if (!first || others.length === 0) return false
  try {
    const { fields, sideAfter } = joinVolumes(volumes)
    const joined: Volume = { ...first, ...fields }
    kindOf(joined).standing?.check(joined)
    documents.begin()
    documents.preview(houseId, (before) => ({
      ...Object.fromEntries(
        Object.entries(before).filter(([id]) => !others.some((other) => other.id === id)),
      ),
      [first.id]: joined,
    }))
    for (const { id } of documents.options)
      documents.preview(id, (before) =>
        Object.keys(before).reduce((after, arrayId) => onJoined(after, arrayId, volumes, sideAfter), before),
      )
    const { fault, step } = documents.commit('Join')
    if (fault) throw fault
    session.setState({ selection: ofObjects([first.id]) })
    toast(session, 'Joined.', step)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    documents.cancel()
    toast(session, context.sayer().fault(error))
  }
  return true
}

/** The number of a side that no building has but one with all the corners it may have. */
const noSide = 59

/** Modules that lay on one of the buildings lie on the joined one; on a side that is gone they are told of, not lost. */
function onJoined(
  option: Objects,
  id: string,
  volumes: readonly Volume[],
  sideAfter: (building: number, side: number) => number | null,
): Objects {
  const [first] = volumes
  const carrier = carrierOf(option, id)
  const object = option[id]
  if (!carrier || !object || !first) return option
  const owner = carrier.liesOn(object)
  const building = volumes.findIndex((volume) => volume.id === owner)
  if (building < 0 || owner === null) return option
  const fields = {
    ...carrier.laidOn(object, first.id),
    ...carrier.renumbered?.(object, owner, (side) => sideAfter(building, side) ?? noSide),
  }
  // Both are fields of the object's own kind.
  return withChanged(option, id, () => fields as Partial<AnyObject>)
}
