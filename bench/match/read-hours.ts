import { Fault } from '@/core/model/fault'

/**
 * Hours of a day as they are typed, "16–20".
 * @throws Fault `bad-hours`
 */
export function readHours(text: string): { readonly fromHour: number; readonly toHour: number } {
  const found = /^\s*(\d{1,2})\s*(?:-|–|to)\s*(\d{1,2})\s*$/.exec(text)
  if (!found) throw new Fault('bad-hours')
  return { fromHour: Number(found[1]), toHour: Number(found[2]) }
}
