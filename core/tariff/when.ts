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

/** Whole hours from one to the other, over midnight where the first is later; all day where they are one. */
export const inHours = ({ fromHour, toHour }: Pick<When, 'fromHour' | 'toHour'>, hour: number): boolean =>
  fromHour === toHour
    ? true
    : fromHour < toHour
      ? hour >= fromHour && hour < toHour
      : hour >= fromHour || hour < toHour

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
export function firstHolding(whens: readonly When[], clock: LocalClock): Int16Array {
  const days = new Map<number, Int16Array>()
  return Int16Array.from(clock.hour, (hour, i) => {
    const [month, date, free] = [clock.month[i] ?? 0, clock.date[i] ?? 1, clock.weekend[i] ?? 0]
    const key = (month * 32 + date) * 2 + free
    let row = days.get(key)
    if (!row) {
      const today = whens.map((when) => holdsOn(when, month, date, free === 1))
      row = Int16Array.from({ length: 24 }, (_, h) =>
        whens.findIndex((when, w) => today[w] === true && inHours(when, h)),
      )
      days.set(key, row)
    }
    return row[hour] ?? -1
  })
}
