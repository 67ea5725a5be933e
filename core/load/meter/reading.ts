import { type WeatherProblem } from '../../weather/reading'

/** Something that looks wrong in a meter's file that could be read all the same. */
export type MeterProblem = Pick<WeatherProblem, 'code' | 'data' | 'line' | 'severity'>

/** One value of a meter as it stands in a file. */
export interface Reading {
  /** Start of its interval, minutes since 1970 by the clock of the file. */
  readonly start: number
  /** NaN where the file has none. */
  readonly kwh: number
  /** From 1; 0 where the file has no lines. */
  readonly line: number
}

/** What a file says before it is set in order. */
export interface RawReadings {
  readonly readings: readonly Reading[]
  readonly stepMinutes: number
  /** Whether the clock of the file jumps with daylight saving. */
  readonly wallClock: boolean
  readonly problems: readonly MeterProblem[]
}

/** What a house has used, interval after interval without a break. */
export interface MeterSeries {
  readonly stepMinutes: number
  /** Start of the first interval, minutes since 1970, in standard time where the file keeps daylight saving. */
  readonly start: number
  readonly kwh: Float64Array
  /** 1 where the file has a value, 0 where one was filled in. */
  readonly measured: Uint8Array
  readonly problems: readonly MeterProblem[]
}
