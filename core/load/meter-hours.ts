import { type MeterYear } from '../kinds/load/load'
import { yearHours } from '../model/model-year'

/** kWh of each hour of the model year in standard time. */
export function decodedHours({ unitWh, hours }: Pick<MeterYear, 'unitWh' | 'hours'>): Float64Array {
  const text = atob(hours)
  const out = new Float64Array(yearHours)
  for (let i = 0; i < out.length; i++)
    out[i] = ((text.charCodeAt(2 * i) | (text.charCodeAt(2 * i + 1) << 8)) * unitWh) / 1000
  return out
}
