import { type Load } from '../kinds/load/load'
import { type BillLineCode, type FormBill } from '../tariff/bill-lines'
import { type RunSummary } from './summary'

/** How much of consumption and bill an option takes away, and what tells the two apart. */
export interface Offsets {
  /** Yield as a share of consumption: over one where more is made than used. */
  readonly consumption: number
  readonly bill: number
  readonly selfUse: number
  readonly selfSufficiency: number
  readonly soldKwh: number
  /** Money per kWh on average; null where nothing goes out or comes in. */
  readonly earned: number | null
  readonly paid: number | null
  /** Charges of the bill with solar that no kWh changes, money a year. */
  readonly fixed: number
}

/**
 * How far self-consumption without a battery is off where the hours of a load come from a shape, as a share of itself:
 * root mean square over the town's measured households, each with the shape that says most of it, with twelve months
 * and without. Measured in `town/profiles.test.ts`.
 */
export const shapeSpread = { year: 0.14, months: 0.12 } as const

/** Of a share that is used at once; null where a meter has told the hours. */
export const selfUseSpread = (
  { shape, byMonth }: Pick<Load, 'shape' | 'byMonth'>,
  selfUse: number,
): number | null => (shape === 'meter' ? null : selfUse * shapeSpread[byMonth ? 'months' : 'year'])

const sum = (values: ArrayLike<number>): number => {
  let all = 0
  for (let i = 0; i < values.length; i++) all += values[i] ?? 0
  return all
}

const energy: readonly BillLineCode[] = ['energy', 'tier', 'non-bypassable']
const exported: readonly BillLineCode[] = [
  'exports',
  'credit-carried',
  'credit-used',
  'credit-lapsed',
  'surplus',
]
const always: readonly BillLineCode[] = ['fixed', 'daily', 'minimum']

const amountOf = ({ months }: FormBill, codes: readonly BillLineCode[]): number =>
  sum(
    months.flatMap(({ lines }) =>
      lines.filter(({ code }) => codes.includes(code)).map(({ amount }) => amount),
    ),
  )

const ratio = (part: number, whole: number): number => (whole > 0 ? part / whole : 0)

export function offsetsOf({ monthly, bills }: Pick<RunSummary, 'monthly' | 'bills'>): Offsets {
  const yieldKwh = sum(monthly.yieldKwh)
  const loadKwh = sum(monthly.loadKwh)
  const boughtKwh = sum(monthly.boughtKwh)
  const soldKwh = sum(monthly.soldKwh)
  return {
    consumption: ratio(yieldKwh, loadKwh),
    bill: bills.before.annual > 0 ? 1 - bills.after.annual / bills.before.annual : 0,
    selfUse: ratio(sum(monthly.usedKwh), yieldKwh),
    selfSufficiency: ratio(loadKwh - boughtKwh, loadKwh),
    soldKwh,
    earned: soldKwh > 0 ? -amountOf(bills.after, exported) / soldKwh : null,
    paid: boughtKwh > 0 ? amountOf(bills.after, energy) / boughtKwh : null,
    fixed: amountOf(bills.after, always),
  }
}
