/** How a figure came about: what the ledger's "why?" shows. */
export interface Explanation {
  /** The formula in words and symbols. */
  readonly formula: string
  readonly inputs: readonly {
    readonly label: string
    readonly value: number | string
    readonly unit: string
  }[]
  /** Author and year of the method, or where the figure was entered. */
  readonly source: string
  readonly assumptions: readonly string[]
}

export type Unit =
  'kWh' | 'kW' | 'money' | 'money/year' | 'years' | 'share' | 'kWh/kWp' | 'V' | 'A' | 'ratio' | 'count' | 'm'

export interface LedgerLine {
  readonly id: string
  readonly group: 'sun' | 'use' | 'money'
  readonly label: string
  /** Null where there is none, such as a payback that never comes. */
  readonly value: number | null
  readonly unit: Unit
  /** What is said instead of a figure where there is none. */
  readonly absent?: string
  /** Losses are below zero and drawn lighter; totals are drawn large. */
  readonly weight: 'line' | 'loss' | 'total'
  /** Whether a greater figure is good for the customer. */
  readonly better: 'more' | 'less'
  /** The stage that yields it. */
  readonly stage: string
  readonly explanation: Explanation
  /** Objects the line is about. */
  readonly about: readonly string[]
}

export type Chapter = 'site' | 'shape' | 'cover' | 'wire' | 'match' | 'store' | 'offer'

/** A broken rule, or one worth a word. */
export interface Check {
  readonly id: string
  readonly chapter: Chapter
  readonly severity: 'note' | 'warning' | 'broken'
  readonly title: string
  readonly message: string
  /** What was found against what is allowed; null where there is nothing to measure. */
  readonly measured: { readonly figure: number; readonly limit: number; readonly unit: Unit } | null
  readonly objects: readonly string[]
  /** A remedy that can be taken with one click. */
  readonly remedy?: Remedy
}

/** A field of one object, of the house or of the option, and what to set it to. */
export interface Remedy {
  readonly label: string
  readonly set: { readonly id: string; readonly field: string; readonly value: unknown }
}
