import { type Alteration } from '../kinds/alteration/alteration'
import { ofKind } from '../kinds/documents'
import { kindOf, type AnyObject } from '../kinds/index'
import { type Design } from './world'

type Documents = Pick<Design, 'house' | 'option'>

/**
 * What an option tries with things of the house, each with the thing as it stands and as the option has it: null where it
 * is gone. What is of nothing or changes nothing counts for nothing, and of several for one thing the last counts.
 */
export function alterationsIn({ house, option }: Documents): {
  readonly alteration: Alteration
  readonly object: AnyObject
  readonly as: AnyObject | null
}[] {
  const last = new Map(ofKind(option, 'alteration').map((alteration) => [alteration.of, alteration]))
  return [...last.values()].flatMap((alteration) => {
    const object = house[alteration.of]
    const altered = object && kindOf(object).standing?.altered
    if (!object || !altered?.ways.includes(alteration.what)) return []
    const as = altered.as(object, alteration)
    return as === object ? [] : [{ alteration, object, as }]
  })
}

/** The objects of the house as the option has them, in their order. */
export function houseAsAltered(documents: Documents): AnyObject[] {
  const objects = Object.values(documents.house)
  const by = new Map(alterationsIn(documents).map(({ object: { id }, as }) => [id, as]))
  return by.size === 0
    ? objects
    : objects.flatMap((object) => (by.has(object.id) ? (by.get(object.id) ?? []) : [object]))
}
