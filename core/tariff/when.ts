import { inHours } from '../model/hours-of-day'
import { type LocalClock } from '../model/local-clock'

/** When a price or a charge holds. */
export interface When {
  /** 1..12; empty means every month. */
  readonly months: readonly number[]
  /** `MM-DD`, both within. */
  readonly dates?: { readonly from: string; readonly to: string }
  readonly days: 'all' | 'weekday' | 'weekend'
  readonly fromHour: number
  readonly toHour: number
}

const two = (value: number): string => String(value).padStart(2, '0')

/** @param month 0..11 @param free whether the day is a weekend or a holiday */
export function holdsOn(when: When, month: number, date: number, free: boolean): boolean {
  if (when.months.length > 0 && !when.months.includes(month + 1)) return false
  if (when.days !== 'all' && (when.days === 'weekend') !== free) return false
  if (!when.dates) return true
  const { from, to } = when.dates
  const today = `${two(month + 1)}-${two(date)}`
  return from <= to ? today >= from && today <= to : today >= from || today <= to
}

/** The clock with holidays counted as weekends. @param holidays `MM-DD` or `YYYY-MM-DD` */
export function withHolidays(clock: LocalClock, holidays: readonly string[], year: number): LocalClock {
  if (holidays.length === 0) return clock
  const free = new Set(
    holidays.flatMap((day) =>
      day.length === 5 ? [day] : day.startsWith(String(year)) ? [day.slice(5)] : [],
    ),
  )
  const weekend = clock.weekend.map((was, i) =>
    was === 1 || free.has(`${two((clock.month[i] ?? 0) + 1)}-${two(clock.date[i] ?? 0)}`) ? 1 : 0,
  )
  return { ...clock, weekend }
}

/** One entry an interval: the first of some that holds there, by its place; -1 where none does. */
export function firstHolding(whens: readonly When[], { month, date, hour, weekend }: LocalClock): Int16Array {
  const out = new Int16Array(hour.length)
  // A day's 24 hours, found once for each kind of day.
  const days: (Int16Array | undefined)[] = []
  for (let i = 0; i < out.length; i++) {
    const key = ((month[i] as number) * 32 + (date[i] as number)) * 2 + (weekend[i] as number)
    const row = (days[key] ??= dayOf(whens, month[i] as number, date[i] as number, weekend[i] === 1))
    out[i] = row[hour[i] as number] as number
  }
  return out
}

function dayOf(whens: readonly When[], month: number, date: number, free: boolean): Int16Array {
  const row = new Int16Array(24).fill(-1)
  for (let w = whens.length - 1; w >= 0; w--) {
    const when = whens[w]
    if (!when || !holdsOn(when, month, date, free)) continue
    for (let hour = 0; hour < 24; hour++) if (inHours(when, hour)) row[hour] = w
  }
  return row
}
