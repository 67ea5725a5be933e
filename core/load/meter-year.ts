import { type MeterYear } from '../kinds/load/load'
import { dayOfModelYear } from '../model/day'
import { yearHours, yearStartMs } from '../model/model-year'
import { packed } from '../model/sixteen-bits'
import { type MeterSeries } from './meter/reading'

const dayMinutes = 1440
const dayHours = 24
const yearDays = 365

const weekdayOf = (day: number): number => (((day + 4) % 7) + 7) % 7

/** How many days of the year lie between two, the short way round. */
const apart = (a: number, b: number): number => {
  const way = Math.abs(a - b) % yearDays
  return Math.min(way, yearDays - way)
}

/** The whole days of a series with what each hour used. */
function wholeDays({ start, stepMinutes, kwh }: MeterSeries): { day: number; hours: Float64Array }[] {
  const perDay = dayMinutes / stepMinutes
  const perHour = 60 / stepMinutes
  const days: { day: number; hours: Float64Array }[] = []
  const first = (dayMinutes - (((start % dayMinutes) + dayMinutes) % dayMinutes)) % dayMinutes
  for (let i = Math.round(first / stepMinutes); i + perDay <= kwh.length; i += perDay) {
    const hours = new Float64Array(dayHours)
    for (let k = 0; k < perDay; k++) {
      const hour = Math.floor(k / perHour)
      hours[hour] = (hours[hour] ?? 0) + (kwh[i + k] ?? 0)
    }
    days.push({ day: Math.floor((start + i * stepMinutes) / dayMinutes), hours })
  }
  return days
}

/**
 * A meter's hours on the calendar of the model year: each day takes the same weekday of the same season, the mean of
 * all years that have one within three days of it; where none has, the nearest one of all.
 * @returns kWh in each hour in standard time; null where the series has no whole day
 */
export function onModelYear(series: MeterSeries): Float64Array | null {
  const days = wholeDays(series).map(({ day, hours }) => ({
    hours,
    weekday: weekdayOf(day),
    at: dayOfModelYear(day),
  }))
  if (days.length === 0) return null
  const firstWeekday = weekdayOf(Math.round(yearStartMs(0) / 86_400_000))
  const out = new Float64Array(yearHours)
  for (let d = 0; d < yearDays; d++) {
    const weekday = (firstWeekday + d) % 7
    const same = days.filter((day) => day.weekday === weekday)
    const all = same.length > 0 ? same : days
    const near = all.filter(({ at }) => apart(at, d) <= 3)
    const taken =
      near.length > 0
        ? near
        : [all.reduce((best, day) => (apart(day.at, d) < apart(best.at, d) ? day : best))]
    for (let hour = 0; hour < dayHours; hour++)
      out[d * dayHours + hour] = taken.reduce((sum, { hours }) => sum + (hours[hour] ?? 0), 0) / taken.length
  }
  return out
}

const most = 0xffff

/** Hours as a document keeps them: whole numbers of a unit that the greatest of them just allows. */
export function encodedHours(kwh: Float64Array): Pick<MeterYear, 'unitWh' | 'hours'> {
  const greatest = kwh.reduce((high, value) => Math.max(high, value), 0)
  const unitWh = Math.max(1, Math.ceil((greatest * 1000) / most))
  const hours = packed(kwh.map((value) => Math.round((Math.max(0, value) * 1000) / unitWh)))
  return { unitWh, hours }
}
