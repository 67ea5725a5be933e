import { type CashYear, type WayMoney } from '../finance/ways'
import { csvLine } from './csv'

/** Columns of the cash flow, in the order they are read. */
export const cashColumns = [
  'billBefore',
  'billAfter',
  'saved',
  'price',
  'incentives',
  'upkeep',
  'replacements',
  'payments',
  'net',
  'cumulative',
  'present',
  'owed',
] as const satisfies readonly (keyof CashYear)[]

/** Columns that are the same for every year's sum, and not what stands at its end. */
export const summedColumns: ReadonlySet<keyof CashYear> = new Set(cashColumns.slice(0, 9))

/** The cash flow as a table: a line to each year, today first; amounts to the cent. */
export const cashCsv = ({ years }: WayMoney): string =>
  [
    csvLine(['year', ...cashColumns]),
    ...years.map((year, k) => csvLine([k, ...cashColumns.map((column) => (year[column] || 0).toFixed(2))])),
  ].join('\r\n') + '\r\n'
