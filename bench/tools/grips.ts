import { type AnyObject, kindOf } from '@/core/kinds/index'
import { standingById, type Site } from '@/core/site/site'
import { objectIdsOf, type Selection } from '../store/selection'
import { type Grip } from './chart'
import { middleOf } from './middle-of'
import { isLocked } from './select/lock'

/** The grips of what is selected: an object's own, or one by which several are moved together. */
export function gripsOf(
  site: Site,
  objectOf: (id: string) => AnyObject | undefined,
  selection: Selection | null,
): readonly Grip[] {
  const ids = objectIdsOf(selection)
  if (selection?.kind === 'objects') {
    const at = middleOf(site, selection)
    const objectId = ids.find((id) => movementOf(objectOf(id)))
    return at && objectId
      ? [{ objectId, handle: { name: 'place', index: 0, at, moves: 'level', whole: true } }]
      : []
  }
  return ids.flatMap((objectId) => {
    const object = objectOf(objectId)
    const whole = standingById(site, objectId)?.whole
    const handles =
      object && whole && !isLocked(object) ? (kindOf(object).standing?.handles(object, whole) ?? []) : []
    return handles.map((handle) => ({ objectId, handle }))
  })
}

const movementOf = (object: AnyObject | undefined) =>
  (object && !isLocked(object) && kindOf(object).standing?.move) || null
