import { type Reading } from './reading'

const hour = 60
const daySunday = 0

/** Clocks are changed in the first hours of a day, mostly a Sunday. */
const atNight = (minutes: number): boolean => ((minutes % 1440) + 1440) % 1440 <= 4 * hour
const onSunday = (minutes: number): boolean => new Date(minutes * 60_000).getUTCDay() === daySunday

/**
 * Readings by a clock with daylight saving, set to standard time: where an hour comes twice the clock was put back,
 * where one is skipped on the night to a Sunday it was put forward. In file order; null where it never was.
 */
export function toStandardTime(readings: readonly Reading[], stepMinutes: number): Reading[] | null {
  let [shift, latest] = [0, -Infinity]
  let changed = false
  const shifts = readings.map(({ start }, k) => {
    const before = readings[k - 1]?.start
    if (before !== undefined) {
      const jump = start - before - stepMinutes
      const change = !atNight(start)
        ? 0
        : jump === -hour
          ? hour
          : jump === hour && onSunday(start)
            ? -hour
            : 0
      shift += change
      if (change !== 0) changed = true
    }
    latest = Math.max(latest, shift)
    return shift
  })
  return changed ? readings.map((one, k) => ({ ...one, start: one.start + (shifts[k] ?? 0) - latest })) : null
}
