import { z } from 'zod'
import { ruleMessage } from './rules'

/** A day of the calendar as `YYYY-MM-DD`, one that exists. */
export const daySchema = z.string().refine(isDay, ruleMessage('day'))

export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false
  const at = new Date(`${text}T00:00:00Z`)
  // A 30th of February becomes a day of March.
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text)
}
