/** The year whose calendar (weekdays, daylight saving) stands for every modelled year. Not a leap year. */
export const modelYear = 2025
/** Its hours. */
export const yearHours = 8760

/** Unix time in milliseconds of the first interval's start: New Year in standard time. */
export const yearStartMs = (timeZoneHours: number, year: number = modelYear) =>
  Date.UTC(year, 0, 1) - timeZoneHours * 3_600_000

export const daysIn = (year: number): number =>
  (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0 ? 366 : 365

export const daysInMonth = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const
const monthStarts = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334] as const

/** Share of the year's days that months have, 0 to 11 each. */
export const shareOfYear = (months: readonly number[]): number =>
  months.reduce((sum, month) => sum + (daysInMonth[month] ?? 0), 0) / 365

/** Month 0..11 of a day of the year 0..364. */
export function monthOfDay(day: number): number {
  let month = 11
  while (month > 0 && day < (monthStarts[month] ?? 0)) month--
  return month
}

/** Every interval's month 0..11 by standard time. */
export function monthsOf(stepMinutes: number): Uint8Array {
  const perDay = 1440 / stepMinutes
  const months = new Uint8Array(365 * perDay)
  for (let day = 0; day < 365; day++) months.fill(monthOfDay(day), day * perDay, (day + 1) * perDay)
  return months
}

/** Whether minutes divide an hour into whole parts that the core counts with. */
export const isStep = (minutes: number) =>
  Number.isInteger(minutes) && minutes >= 1 && minutes <= 60 && 60 % minutes === 0
