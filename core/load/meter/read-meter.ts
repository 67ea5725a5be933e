import { readTable } from '../../weather/csv-table'
import { greenButtonReadings } from './green-button'
import { inOrder } from './in-order'
import { type MeterSeries } from './reading'
import { tableReadings } from './table'

/**
 * What a house has used, from a meter's file: a table of any layout, or Atom by NAESB REQ.21.
 * @param column heading of the column to take; the likeliest where it is not given
 * @throws Fault `meter-file`, and those of `readTable`
 */
export const readMeter = (text: string, column: string | null = null): MeterSeries =>
  inOrder(/^\s*</.test(text) ? greenButtonReadings(text) : tableReadings(readTable(text, dataShare), column))

const yearHours = 8760
/** Meters' tables have much beside times and values: units, names, money. */
const dataShare = 0.25

/** All that was used, and what that is in a year: the sum of a whole year as it is, of less or more in proportion. */
export function energyOf({ kwh, stepMinutes }: Pick<MeterSeries, 'kwh' | 'stepMinutes'>): {
  totalKwh: number
  annualKwh: number
  hours: number
} {
  const totalKwh = kwh.reduce((sum, value) => sum + value, 0)
  const hours = (kwh.length * stepMinutes) / 60
  const whole = Math.abs(hours - yearHours) <= 24
  return { totalKwh, hours, annualKwh: whole ? totalKwh : (totalKwh * yearHours) / hours }
}
