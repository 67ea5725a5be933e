import { type AnyObject } from '@/core/kinds/index'
import { plainNumber } from '@/words/format'
import { type Sayer } from '@/words/sayer'

const most = 120

/** A field's value in a few words; what has no words of its own as it is stored. */
export function shownValue(object: AnyObject, field: string, sayer: Sayer): string {
  const value: unknown = (object as unknown as Readonly<Record<string, unknown>>)[field]
  if (value === null || value === undefined) return 'none'
  if (typeof value === 'number') return numberOf(value, field, sayer)
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'string') return sayer.name(value)
  const text = JSON.stringify(value, (_key, part: unknown) =>
    typeof part === 'number' ? Math.round(part * 1000) / 1000 : part,
  )
  return text.length > most ? `${text.slice(0, most)} …` : text
}

/** Fields say their unit at the end of their name. */
function numberOf(value: number, field: string, sayer: Sayer): string {
  if (/M$/.test(field)) return sayer.written({ value, unit: 'm' })
  if (/Deg$/.test(field)) return sayer.written({ value, unit: 'deg' })
  if (/Share$|Rate$|^escalation$|^reserve$/.test(field)) return sayer.written({ value, unit: 'share' })
  if (/Kwh$/.test(field) && !field.startsWith('price')) return sayer.written({ value, unit: 'kWh' })
  return plainNumber(value, sayer.place)
}
