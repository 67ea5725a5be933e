/** Where a year was measured, and how it is counted. */
export interface YearPlace {
  readonly name: string
  readonly latitudeDeg: number
  readonly longitudeDeg: number
  readonly elevationM: number
  /** Standard time of the station, hours east of Greenwich; halves and quarters occur. */
  readonly timeZoneHours: number
  readonly stepMinutes: number
}

/**
 * A year of weather. Arrays have one entry an interval; entry i covers `yearStartMs + i * stepMinutes` onward, in
 * standard time, 29 February left out, so that every year has 365 days.
 */
export interface WeatherYear extends YearPlace {
  /** W/m² on the horizontal: mean of the interval. */
  readonly ghi: Float64Array
  /** W/m² across the beam. */
  readonly dni: Float64Array
  readonly dhi: Float64Array
  readonly temperatureC: Float64Array
  readonly windMs: Float64Array
  /** Share the ground reflects, where the station measured it. */
  readonly albedo: Float64Array | null
  /** Metres of snow on the ground, where the station measured it. */
  readonly snowDepthM: Float64Array | null
}

/** The sum of a power series as energy: W/m² means to kWh/m², or W to kWh. */
export function energyKwh(power: Float64Array, stepMinutes: number): number {
  let sum = 0
  for (const value of power) sum += value
  return (sum * stepMinutes) / 60_000
}
