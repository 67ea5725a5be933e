import { type Data, type Datum, type Said, type Unit } from './said'

/** Formulas of the ledger's lines. */
export const formulaCodes = [
  'sun-on-modules',
  'reflection',
  'shade',
  'unwired',
  'mismatch',
  'snow-computed',
  'snow-entered',
  'dirt',
  'low-light',
  'heat',
  'window',
  'optimizers',
  'mismatch-own',
  'wiring',
  'wiring-cables',
  'inverter-king',
  'inverter-curve',
  'own-draw',
  'clipping',
  'ac-cables',
  'availability',
  'yield',
  'used',
  'sold',
  'curtailed',
  'bought',
  'consumption',
  'self-sufficiency',
  'battery-loss',
  'bill-now',
  'bill-then',
  'saving',
  'price',
  'net-price',
  'payback',
  'npv',
  'irr',
  'lcoe',
] as const

/** What a figure is made from, named in its explanation. */
export const termCodes = [
  'plane-fixed',
  'plane-turning',
  'rated-power',
  'weather',
  'albedo',
  'albedo-measured',
  'glass',
  'caster',
  'taken-away',
  'trimmed-to',
  'grown-for',
  'strings-without-input',
  'strips',
  'strings',
  'snow-hours',
  'snow-entered',
  'soiling',
  'light-current',
  'saturation-current',
  'series-resistance',
  'shunt-resistance',
  'thermal-voltage',
  'power-coefficient',
  'heat-by-light',
  'heat-by-wind',
  'wind-share',
  'window',
  'start',
  'hottest-cell',
  'optimizer',
  'optimizer-output',
  'light-induced',
  'nameplate',
  'wiring',
  'connections',
  'cable-length',
  'cable-size',
  'cable-drop',
  'other-loss',
  'inverter',
  'inverters',
  'night-use',
  'rated-ac',
  'clipped-hours',
  'clipped-share',
  'clipping-caught',
  'module-power',
  'downtime',
  'modules',
  'specific-yield',
  'performance-ratio',
  'year-spread',
  'nine-years-of-ten',
  'consumption',
  'through-battery',
  'cars-on-surplus',
  'export-limit',
  'bought',
  'batteries',
  'usable',
  'efficiency-each-way',
  'battery-standby',
  'reserve',
  'tariff',
  'energy',
  'fixed',
  'demand',
  'taxes-and-credits',
  'export-credit',
  'price-work',
  'price-modules',
  'price-inverter',
  'price-optimizers',
  'price-parts',
  'price-batteries',
  'price-adders',
  'markup',
  'sales-tax',
  'per-watt',
  'incentive',
  'later-incentives',
  'upkeep',
  'replacements',
  'payments',
  'saved-first-year',
  'years',
  'escalation',
  'degradation',
  'discount-rate',
] as const

/** Documents, data sheets and entries that a figure follows. */
export const sourceCodes = [
  'reda-andreas-2004',
  'perez-1990',
  'hay-davies-1980',
  'martin-ruiz-2001',
  'shadows-on-points',
  'wiring-entered',
  'string-curve',
  'marion-2013',
  'station-snow',
  'entered',
  'defaults-dobos-2014',
  'de-soto-2006',
  'dobos-2012',
  'faiman-2008',
  'king-2004',
  'fuentes-1987',
  'sherman-grimsrud-1980',
  'single-diode',
  'king-2007',
  'inverter-measured',
  'dobos-2014-inverter',
  'iec-60364-5-52',
  'inverter-sheet',
  'optimizer-sheet',
  'lines-above',
  'own-use',
  'by-tariff',
  'by-forecast',
  'peak-shaving',
  'tariff-entered',
  'offer-entered',
  'cash-flow',
  'all-roots',
] as const

/** What a figure takes for granted. */
export const assumptionCodes = [
  'typical-year',
  'whole-foreground',
  'clean-glass',
  'crowns-by-month',
  'no-default-shade',
  'shade-by-readings',
  'turning-at-rest',
  'unwired-cost',
  'darkest-cell',
  'greatest-maximum',
  'no-default-mismatch',
  'own-best-point',
  'steps-down',
  'each-inverter-alone',
  'entered-snow-unused',
  'spectrum',
  'cell-as-back',
  'suburb',
  'first-year-losses',
  'light-induced-p-type',
  'light-induced-n-type',
  'sorted-up',
  'sorted-both-ways',
  'cables-by-way',
  'own-draw-bought',
  'means-of-interval',
  'first-year',
  'years-normal',
  'archetype-day',
  'meter-year',
  'added-load',
  'car-by-sun',
  'battery-on-dc-side',
  'means-of-hour',
  'incentive-at-purchase',
  'years-run-again',
  'end-of-year',
  'paid-by',
] as const

type SaidAs<C extends string> = Said & { readonly code: C }
export type Formula = SaidAs<(typeof formulaCodes)[number]>
export type Source = SaidAs<(typeof sourceCodes)[number]>
export type Assumption = SaidAs<(typeof assumptionCodes)[number]>

/** One input of a figure: what it is, and how much. */
export interface Term {
  readonly code: (typeof termCodes)[number]
  /** What the code's words ask for, such as a pitch and a direction. */
  readonly data?: Data
  readonly value: Datum
  /** Something the value alone does not say, such as the distance of a station. */
  readonly note?: Said
}

/** How a figure came about: what the ledger's "why?" shows. */
export interface Explanation {
  readonly formula: Formula
  readonly inputs: readonly Term[]
  /** Documents and data it follows. */
  readonly sources: readonly Source[]
  readonly assumptions: readonly Assumption[]
}

export const lineIds = [
  'sun-on-modules',
  'reflection',
  'shade',
  'unwired',
  'mismatch',
  'snow',
  'dirt',
  'low-light',
  'heat',
  'window',
  'optimizers',
  'wiring',
  'inverter',
  'own-draw',
  'clipping',
  'ac-cables',
  'availability',
  'yield',
  'used',
  'sold',
  'curtailed',
  'bought',
  'consumption',
  'self-sufficiency',
  'battery-loss',
  'bill-now',
  'bill-then',
  'saving',
  'price',
  'net-price',
  'payback',
  'npv',
  'irr',
  'lcoe',
] as const
export type LineId = (typeof lineIds)[number]

/** A figure of the chain from sunlight to payback. */
export interface LedgerLine {
  readonly id: LineId
  readonly group: 'sun' | 'use' | 'money'
  /** Null where there is none, such as a payback that never comes. */
  readonly value: number | null
  readonly unit: Unit
  /** Why there is no figure, where that is not the figure's own doing: nothing is drawn yet. */
  readonly absent?: 'to-come'
  /** Losses are below zero and drawn lighter; totals are drawn large. */
  readonly weight: 'line' | 'loss' | 'total'
  /** Whether a greater figure is good for the customer. */
  readonly better: 'more' | 'less'
  readonly explanation: Explanation
  /** Objects the line is about. */
  readonly about: readonly string[]
}

export const checkCodes = [
  'weather-missing',
  'station-far',
  'not-built',
  'preset-height',
  'orphaned',
  'no-fit',
  'modules-unfit',
  'no-modules',
  'rules-missing',
  'setback-narrow',
  'clearance-narrow',
  'pathway-beside',
  'pathways-few',
  'mounting-none',
  'mounting-unsuited',
  'foot-load',
  'rail-span',
  'rail-overhang',
  'rail-loose',
  'ballast-many',
  'roof-load',
  'shaded-modules',
  'string-cold',
  'string-peak',
  'string-hot',
  'inputs',
  'current',
  'strings-gone',
  'strings-many',
  'strings-unlike',
  'strings-mixed',
  'phases',
  'off-wall',
  'cable-drop',
  'cable-thin',
  'busbar',
  'battery-no-port',
  'battery-volts',
  'battery-port-power',
  'unbalanced',
  'shutdown',
  'unit-cold',
  'unit-peak',
  'unit-hot',
  'unit-current',
  'unit-power',
  'optimizers-few',
  'optimizers-many',
  'optimizers-power',
  'branch-many',
  'dc-ac-high',
  'dc-ac-low',
  'inverter-idle',
  'clipping',
  'counted-twice',
  'no-load',
  'no-payback',
] as const
export type CheckCode = (typeof checkCodes)[number]

/** A broken rule, or one worth a word. */
export interface Check {
  /** Tells it apart from others of its code. */
  readonly id: string
  readonly code: CheckCode
  readonly data: Data
  readonly severity: 'note' | 'warning' | 'broken'
  /** What was found against what is allowed; null where there is nothing to measure. */
  readonly measured: { readonly figure: number; readonly limit: number; readonly unit: Unit } | null
  readonly objects: readonly string[]
  /** A remedy that can be taken with one click. */
  readonly remedy?: Remedy
}

export const remedyCodes = [
  'nearest-station',
  'string-automatically',
  'drop-entered-loss',
  'drop-shaded',
  'widen-setback',
  'widen-clearance',
  'leave-empty',
  'feet-automatically',
  'mounting-automatically',
  'covered-with-tiles',
  'leave-out',
  'fewer-inverters',
  'onto-wall',
  'thicker-cable',
] as const

/** A field of one object, of the house or of the option, and what to set it to. */
export interface Remedy {
  readonly code: (typeof remedyCodes)[number]
  readonly set: { readonly id: string; readonly field: string; readonly value: unknown }
}
