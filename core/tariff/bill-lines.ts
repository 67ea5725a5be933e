import { type LocalClock } from '../model/local-clock'

/** What a line of a bill is for. */
export type BillLineCode =
  | 'fixed'
  | 'daily'
  | 'energy'
  | 'tier'
  | 'demand'
  | 'non-bypassable'
  | 'exports'
  | 'credit-carried'
  | 'credit-used'
  | 'credit-lapsed'
  | 'surplus'
  | 'minimum'
  | 'tax'
  | 'credit'

export interface BillLine {
  readonly code: BillLineCode
  /** Of a period, a demand charge, a tax, a credit; the number of a tier. */
  readonly name: string
  /** Below zero where it comes off the bill. */
  readonly amount: number
}

export interface FormBill {
  readonly months: readonly { readonly lines: readonly BillLine[]; readonly total: number }[]
  readonly annual: number
}

/** The intervals of a year. */
export interface Hours {
  readonly clock: LocalClock
  readonly year: number
  readonly stepMinutes: number
}

/** Energy through the meter, one entry an interval of the year. */
export interface Metered extends Hours {
  readonly boughtKwh: Float64Array
  readonly soldKwh: Float64Array
}
