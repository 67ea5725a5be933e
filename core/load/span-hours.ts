import { type Load } from '../kinds/load/load'
import { type LocalClock } from '../model/local-clock'
import { dayOfModelYear } from '../model/day'
import { yearHours, yearStartMs } from '../model/model-year'
import { ofShape } from './hourly-load'
import { decodedHours } from './meter-hours'

const hourMs = 3_600_000
const dayHours = 24

/** Hours of any days of the calendar. */
export interface CalendarHours {
  readonly clock: LocalClock
  /** Unix time of the first. */
  readonly startMs: number
  /** Of the zone's standard time. */
  readonly standardHours: number
}

/**
 * How a house's energy is spread over hours of any year: only the proportions count. A meter's day is that of the same
 * weekday in the same season.
 * @returns one entry an hour of the clock
 */
export function spanHours(
  { shape, meter }: Pick<Load, 'shape' | 'meter'>,
  hours: CalendarHours,
  southern: boolean,
): Float64Array {
  if (shape === 'meter' && meter) return ofMeter(decodedHours(meter), hours)
  return ofShape(shape === 'meter' ? 'evening' : shape, hours.clock, southern)
}

const weekdayOf = (day: number): number => (((day + 4) % 7) + 7) % 7

function ofMeter(kwh: Float64Array, { clock, startMs, standardHours }: CalendarHours): Float64Array {
  const firstWeekday = weekdayOf(Math.round(yearStartMs(0) / (dayHours * hourMs)))
  const first = Math.floor(startMs / hourMs + standardHours)
  return Float64Array.from({ length: clock.hour.length }, (_, i) => {
    const day = Math.floor((first + i) / dayHours)
    const same = dayOfModelYear(day)
    // The shorter way to the same weekday; at New Year the way that stays in the year.
    const off = (((weekdayOf(day) - firstWeekday - same) % 7) + 7) % 7
    const goesBack = same + off >= yearHours / dayHours || (off > 3 && same >= 7 - off)
    return kwh[(same + (goesBack ? off - 7 : off)) * dayHours + ((first + i) % dayHours)] ?? 0
  })
}
