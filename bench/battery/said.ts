import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { dayName } from '@/words/format'
import { type Sayer } from '@/words/sayer'

const words = later.battery

/** What a size of storage is called. */
export function sizeName(
  { batteryId, count }: { readonly batteryId: string | null; readonly count: number },
  sayer: Sayer,
): string {
  if (batteryId === null) return words.none
  const name = sayer.name(batteryId)
  return count === 1 ? name : sayer.say(words.several, { count, name })
}

/** When an interval of the year begins, by the clock of the house. */
export function momentText(interval: number, carpet: RunSummary['carpet'], sayer: Sayer): string {
  const perDay = (24 * 60) / carpet.stepMinutes
  const hour = String(carpet.clockHour[interval] ?? 0).padStart(2, '0')
  return `${dayName(Math.floor(interval / perDay), sayer.place.locale)}, ${hour}:00`
}
