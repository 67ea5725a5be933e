import { daysIn, yearHours } from '../model/model-year'

/** Hours of a year in standard time, 29 February left out. */
export type HoursOfYears = ReadonlyMap<number, Float64Array>

const hourMs = 3_600_000
const leapDay = 59

/** Year and hour of it, 0 to 8,759; an hour of 29 February is none. @param hour since 1970 */
export function hourOfYear(hour: number): { readonly year: number; readonly hour: number } | null {
  const year = new Date(hour * hourMs).getUTCFullYear()
  const since = hour - Date.UTC(year, 0, 1) / hourMs
  if (daysIn(year) === 365) return { year, hour: since }
  const day = Math.floor(since / 24)
  if (day === leapDay) return null
  return { year, hour: day > leapDay ? since - 24 : since }
}

/** The calendar years that hours lie in, ascending. @param spans hours since 1970 */
export function yearsOf(spans: readonly { readonly fromHour: number; readonly hours: number }[]): number[] {
  const years = new Set<number>()
  for (const { fromHour, hours } of spans) {
    years.add(new Date(fromHour * hourMs).getUTCFullYear())
    years.add(new Date((fromHour + hours - 1) * hourMs).getUTCFullYear())
  }
  return [...years].sort((a, b) => a - b)
}

/** What a typical year has at an hour since 1970. */
export const typicalAt =
  (typical: Float64Array) =>
  (hour: number): number => {
    const at = hourOfYear(hour)
    return at ? (typical[at.hour] ?? NaN) : NaN
  }

/** What single years have at an hour since 1970; NaN where its year is not known. */
export const yearlyAt =
  (years: HoursOfYears) =>
  (hour: number): number => {
    const at = hourOfYear(hour)
    return at ? (years.get(at.year)?.[at.hour] ?? NaN) : NaN
  }

/** Sums to hours of what comes in shorter steps. */
export function inHours(values: Float64Array, stepMinutes: number): Float64Array {
  const perHour = 60 / stepMinutes
  if (perHour === 1) return values
  const out = new Float64Array(yearHours)
  for (let i = 0; i < values.length; i++) {
    const at = Math.floor(i / perHour)
    out[at] = (out[at] ?? 0) + (values[i] ?? 0)
  }
  return out
}
