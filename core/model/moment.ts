import { daysInMonth } from './model-year'

/** A day of the modelled year, 0..364, as `2025-05-21`, and back; null for what is no day of it. */
export function dayOfDate(date: string): number | null {
  const found = /^\d{4}-(\d{2})-(\d{2})$/.exec(date)
  const month = Number(found?.[1]) - 1
  const day = Number(found?.[2]) - 1
  if (!found || !(day >= 0) || day >= (daysInMonth[month] ?? 0)) return null
  return daysInMonth.slice(0, month).reduce((sum, days) => sum + days, day)
}

export function dateOfDay(day: number, year: number): string {
  let [month, rest] = [0, day]
  while (rest >= (daysInMonth[month] ?? 31)) rest -= daysInMonth[month++] ?? 31
  const two = (value: number) => String(value).padStart(2, '0')
  return `${year}-${two(month + 1)}-${two(rest + 1)}`
}

/** Hours of a clock, 0..24 without its end, as `09:05` to the minute, read also as `9:05`, `9.05` or `9`; null for what is no time. */
export function hourOfClock(clock: string): number | null {
  const found = /^(\d{1,2})(?:[:.](\d{2}))?$/.exec(clock)
  const [hours, minutes] = [Number(found?.[1]), Number(found?.[2] ?? 0)]
  return found && hours < 24 && minutes < 60 ? hours + minutes / 60 : null
}

export function clockOfHour(hour: number): string {
  const minutes = Math.min(1439, Math.round(hour * 60))
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
}

/** A moment some minutes later or earlier; days follow each other round the year. */
export function momentAfter(
  { day, hour }: { readonly day: number; readonly hour: number },
  minutes: number,
): { readonly day: number; readonly hour: number } {
  const total = Math.round(hour * 60) + minutes
  const days = Math.floor(total / 1440)
  return { day: (((day + days) % 365) + 365) % 365, hour: (total - days * 1440) / 60 }
}

/** Day of a solstice, 0..364: the 21st of June or of December, whichever is summer or winter there. */
export const solsticeDay = (latitudeDeg: number, season: 'summer' | 'winter'): number =>
  latitudeDeg >= 0 === (season === 'summer') ? 171 : 354
