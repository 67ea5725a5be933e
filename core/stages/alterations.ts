import { type Alteration } from '../kinds/alteration/alteration'
import { ofKind } from '../kinds/documents'
import { kindOf, type AnyObject } from '../kinds/index'
import { type Design } from './world'

type Documents = Pick<Design, 'house' | 'option'>

/**
 * What an option tries with things of the house, each with the thing as it stands. What is of nothing counts for nothing,
 * and of several for one thing the last counts.
 */
export function alterationsIn({
  house,
  option,
}: Documents): { readonly alteration: Alteration; readonly object: AnyObject }[] {
  const last = new Map(ofKind(option, 'alteration').map((alteration) => [alteration.of, alteration]))
  return [...last.values()].flatMap((alteration) => {
    const object = house[alteration.of]
    const ways = object && kindOf(object).standing?.altered?.ways
    return object && ways?.includes(alteration.what) ? [{ alteration, object }] : []
  })
}

/** The objects of the house as the option has them, in their order. */
export function houseAsAltered(documents: Documents): AnyObject[] {
  const objects = Object.values(documents.house)
  const alterations = alterationsIn(documents)
  if (alterations.length === 0) return objects
  const by = new Map(alterations.map(({ alteration }) => [alteration.of, alteration]))
  return objects.flatMap((object) => {
    const alteration = by.get(object.id)
    const altered = kindOf(object).standing?.altered
    if (!alteration || !altered) return [object]
    return altered.as(object, alteration) ?? []
  })
}
