import { ofKind, type Change } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { sameValue } from '@/core/model/change'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { fieldName, objectName } from '../saving/object-names'

/** Fields of one object named in full. */
const mostFields = 3

/** What an edit did, in a few words. */
export function saidEdit({ added, updated, removed }: Change, sayer: Sayer): string {
  const words = later.history
  if (ofKind(added, 'offer').length > 0) return words.optionMade
  if (ofKind(removed, 'offer').length > 0) return words.optionRemoved
  const parts = [
    ...Object.values(updated).map(([from, to]) => saidChange(from, to, sayer)),
    ...Object.values(added).map((object) => sayer.say(words.added, { what: nameIn(object, sayer) })),
    ...Object.values(removed).map((object) => sayer.say(words.removed, { what: nameIn(object, sayer) })),
  ]
  const [first = ''] = parts
  return parts.length > 1 ? sayer.say(words.more, { first, count: parts.length - 1 }) : first
}

function saidChange(from: AnyObject, to: AnyObject, sayer: Sayer): string {
  const words = later.history
  const [a, b] = [from, to] as unknown as readonly Record<string, unknown>[]
  const fields = [...new Set([...Object.keys(from), ...Object.keys(to)])].filter(
    (field) => !sameValue(a?.[field], b?.[field]),
  )
  const named = fields.slice(0, mostFields).map((field) => fieldName(to, field))
  const first = named.join(', ')
  const all =
    fields.length > mostFields ? sayer.say(words.more, { first, count: fields.length - mostFields }) : first
  return sayer.say(words.changed, { what: nameIn(to, sayer), fields: all })
}

/** By its name of today where it has none of its own, as modules are called by what they lie on. */
function nameIn(object: AnyObject, sayer: Sayer): string {
  if (object.kind !== 'array') return objectName(sayer, object)
  const name = sayer.name(object.id)
  return name === object.id ? objectName(sayer, object) : name
}

/** The objects an edit is about, as they are after it. */
export const idsOf = ({ added, updated }: Change): string[] => [
  ...Object.keys(added),
  ...Object.keys(updated),
]
