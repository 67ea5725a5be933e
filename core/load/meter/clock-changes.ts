import { type Reading } from './reading'

const hour = 60
const daySunday = 0

/** Clocks are changed in the first hours of a day, mostly a Sunday. */
const atNight = (minutes: number): boolean => ((minutes % 1440) + 1440) % 1440 <= 4 * hour
/** Months in which clocks are put forward, and back, on either side of the equator; January is 0. */
const forwardMonths = [2, 3, 7, 8, 9]
const backMonths = [2, 3, 8, 9, 10]
const inMonths = (minutes: number, months: readonly number[]): boolean =>
  months.includes(new Date(minutes * 60_000).getUTCMonth())
const onSunday = (minutes: number): boolean => new Date(minutes * 60_000).getUTCDay() === daySunday

/**
 * Readings by a clock with daylight saving, set to standard time: where an hour comes twice at night the clock was
 * put back, where one is skipped early on a Sunday it was put forward, each in its months and one after the other. In file
 * order; null where it never was.
 */
export function toStandardTime(readings: readonly Reading[], stepMinutes: number): Reading[] | null {
  let [shift, latest] = [0, -Infinity]
  let changed = false
  const shifts = readings.map(({ start }, k) => {
    const before = readings[k - 1]?.start
    if (before !== undefined) {
      const jump = start - before - stepMinutes
      const change = atNight(start) ? changeBy(jump, start, shift) : 0
      shift += change
      if (change !== 0) changed = true
    }
    latest = Math.max(latest, shift)
    return shift
  })
  return changed ? readings.map((one, k) => ({ ...one, start: one.start + (shifts[k] ?? 0) - latest })) : null
}

/** @param shift by which clocks were moved since the file began: none is moved twice the same way */
function changeBy(jump: number, start: number, shift: number): number {
  if (jump === -hour && shift <= 0 && inMonths(start, backMonths)) return hour
  if (jump === hour && shift >= 0 && onSunday(start) && inMonths(start, forwardMonths)) return -hour
  return 0
}
