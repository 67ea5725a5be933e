import { type MeterYear } from '../kinds/load/load'
import { yearHours } from '../model/model-year'
import { unpacked } from '../model/sixteen-bits'

/** kWh of each hour of the model year in standard time. */
export function decodedHours({ unitWh, hours }: Pick<MeterYear, 'unitWh' | 'hours'>): Float64Array {
  const whole = unpacked(hours)
  return Float64Array.from({ length: yearHours }, (_, i) => ((whole[i] ?? 0) * unitWh) / 1000)
}
