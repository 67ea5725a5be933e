import { type Load } from '../kinds/load/load'
import { type LocalClock } from '../model/local-clock'
import { dayShapes } from './day-shapes'
import { decodedHours } from './meter-hours'

type Spread = Pick<Load, 'annualKwh' | 'shape' | 'byMonth' | 'meter'>

/**
 * The year's total spread over the archetype day, or as the meter had it: kWh in each interval, summing to the total.
 * South of the equator the months of an archetype turn by half a year.
 */
export function hourlyLoad(load: Spread, clock: LocalClock, southern: boolean): Float64Array {
  const kwh =
    load.shape === 'meter' && load.meter
      ? ofMeter(decodedHours(load.meter), clock.hour.length)
      : ofShape(load.shape === 'meter' ? 'evening' : load.shape, clock, southern)
  if (load.byMonth) scaleMonths(kwh, load.byMonth, clock)
  const total = kwh.reduce((sum, value) => sum + value, 0)
  const scale = total > 0 ? load.annualKwh / total : 0
  for (let i = 0; i < kwh.length; i++) kwh[i] = (kwh[i] as number) * scale
  return kwh
}

/** An archetype's energy in each interval; only their proportions count. */
export function ofShape(
  shape: Exclude<Load['shape'], 'meter'>,
  clock: LocalClock,
  southern: boolean,
): Float64Array {
  const { weekday, weekend, months } = dayShapes[shape]
  const kwh = new Float64Array(clock.hour.length)
  for (let i = 0; i < kwh.length; i++) {
    const day = clock.weekend[i] === 1 ? weekend : weekday
    const month = ((clock.month[i] ?? 0) + (southern ? 6 : 0)) % 12
    kwh[i] = (day[clock.hour[i] ?? 0] ?? 0) * (months[month] ?? 1)
  }
  return kwh
}

/** Hours as intervals; within an hour it is used evenly. */
function ofMeter(hours: Float64Array, intervals: number): Float64Array {
  const perHour = intervals / hours.length
  return Float64Array.from({ length: intervals }, (_, i) => (hours[Math.floor(i / perHour)] ?? 0) / perHour)
}

/** Gives each month its part of the year. A month in which the shape uses nothing is filled evenly. */
function scaleMonths(kwh: Float64Array, parts: readonly number[], { month }: LocalClock): void {
  const sums = new Float64Array(12)
  const counts = new Float64Array(12)
  for (let i = 0; i < kwh.length; i++) {
    const m = month[i] as number
    sums[m] = (sums[m] as number) + (kwh[i] as number)
    counts[m] = (counts[m] as number) + 1
  }
  for (let i = 0; i < kwh.length; i++) {
    const m = month[i] as number
    const part = parts[m] ?? 0
    kwh[i] =
      (sums[m] as number) > 0
        ? ((kwh[i] as number) * part) / (sums[m] as number)
        : part / (counts[m] as number)
  }
}
