/** What is measured: a figure and its unit, written out where the person is. */
export interface Quantity {
  readonly value: number
  readonly unit: Unit
  /** Digits behind the decimal mark; the unit's usual ones when not given. */
  readonly digits?: number
}

/** The name of something: an object of the documents, a thing of the catalogue, the weather station. */
export interface Ref {
  readonly ref: string
}

/**
 * Something to be said to a person, as data: a code that has a sentence in every language, and what stands in it. The
 * core says everything this way and knows no sentence.
 */
export interface Said {
  readonly code: string
  readonly data?: Data
}

export type Datum = string | number | Quantity | Ref | Said | readonly Datum[]
export type Data = Readonly<Record<string, Datum>>

/** Units that figures are handed over in; money is in the job's own currency. */
export type Unit =
  | ''
  | 'kWh'
  | 'kW'
  | 'W'
  | 'kWh/m²'
  | 'W/m²'
  | 'kWh/kWp'
  | 'V'
  | 'A'
  | 'Ω'
  | 'm'
  | 'mm²'
  | 'kg'
  | 'kN'
  | 'kN/m²'
  | 'deg'
  | '°C'
  | 'h'
  | 'minutes'
  | 'years'
  | 'count'
  | 'ratio'
  | 'share'
  | 'share/year'
  | 'share/K'
  | 'W/m²K'
  | 'Ws/m³K'
  | 'money'
  | 'money/year'
  | 'money/W'
  | 'money/kWh'
  | 'bytes'
