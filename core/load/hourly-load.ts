import { type Load } from '../kinds/load/load'
import { type LocalClock } from '../model/local-clock'
import { dayShapes } from './day-shapes'

/**
 * The year's total spread over the archetype day: kWh in each interval, summing to the total. South of the equator the
 * months turn by half a year.
 */
export function hourlyLoad(
  load: Pick<Load, 'annualKwh' | 'shape'>,
  clock: LocalClock,
  southern: boolean,
): Float64Array {
  const shape = dayShapes[load.shape]
  const kwh = new Float64Array(clock.hour.length)
  let total = 0
  for (let i = 0; i < kwh.length; i++) {
    const day = clock.weekend[i] === 1 ? shape.weekend : shape.weekday
    const month = ((clock.month[i] ?? 0) + (southern ? 6 : 0)) % 12
    const value = (day[clock.hour[i] ?? 0] ?? 0) * (shape.months[month] ?? 1)
    kwh[i] = value
    total += value
  }
  const scale = total > 0 ? load.annualKwh / total : 0
  for (let i = 0; i < kwh.length; i++) kwh[i] = (kwh[i] as number) * scale
  return kwh
}
