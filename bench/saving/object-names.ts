import { type AnyObject } from '@/core/kinds/index'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'

/** What a field of an object is called. */
export function fieldName(object: AnyObject, field: string): string {
  const fields: Readonly<Record<string, string>> = later.fields[object.kind]
  return fields[field] ?? field
}

/** What an object is called, whether or not it is there now. */
export const objectName = (sayer: Sayer, object: AnyObject): string =>
  'name' in object ? object.name : sayer.say(sayer.words.kinds[object.kind].named, { n: 1 })
