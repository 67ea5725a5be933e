import { later } from '@/words/en/later'
import { dayName } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { placeOf, type Clocked } from '../carpet/carpet-image'

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
export function momentText(interval: number, carpet: Clocked, sayer: Sayer): string {
  const { day, row } = placeOf(carpet, interval)
  const [hour, minute] = [Math.floor((row * carpet.stepMinutes) / 60), (row * carpet.stepMinutes) % 60]
  const two = (value: number) => String(value).padStart(2, '0')
  return `${dayName(day, sayer.place.locale)}, ${two(hour)}:${two(minute)}`
}
