import { z } from 'zod'
import { modelYear } from './model-year'
import { ruleMessage } from './rules'

/** A day of the calendar as `YYYY-MM-DD`, one that exists. */
export const daySchema = z.string().refine(isDay, ruleMessage('day'))

export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false
  const at = new Date(`${text}T00:00:00Z`)
  // A 30th of February becomes a day of March.
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text)
}

const dayMs = 86_400_000

/** Days since 1970 of a day of the calendar that exists, and back. */
export const dayCount = (day: string): number => Math.round(Date.parse(`${day}T00:00:00Z`) / dayMs)
export const dayOfCount = (count: number): string => new Date(count * dayMs).toISOString().slice(0, 10)

/** Days since 1970 as a day of the model year, 0..364; 29 February counts as the 28th. */
export function dayOfModelYear(count: number): number {
  const date = new Date(count * dayMs)
  const [month, of] = [date.getUTCMonth(), date.getUTCDate()]
  const same = Date.UTC(modelYear, month, month === 1 && of === 29 ? 28 : of)
  return Math.round((same - Date.UTC(modelYear, 0, 1)) / dayMs)
}
