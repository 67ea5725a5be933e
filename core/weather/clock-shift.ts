import { clearSky } from '../sun/clear-sky'
import { extraterrestrialWm2 } from '../sun/perez'
import { deltaTSeconds, julianDayOf } from '../sun/position'
import { yearEphemeris } from '../sun/year-ephemeris'
import { yearStartMs } from '../model/model-year'
import { toDegrees, toRadians } from '../model/units'
import { type WeatherYear } from './weather-year'

/** A shift below this is within what uneven mornings and afternoons do. */
export const worthShiftingMinutes = 20
const farthestMinutes = 13 * 60
const windowDays = 10
const linke = 3
const fineMinutes = 5

/**
 * By how many minutes all values would have to be moved later to fit the sun best: the envelope of the brightest
 * values at each time of day, ten days at a time, against the clear sky moved by the same.
 * @returns minutes, whole fives, above zero when the file runs early
 */
export function clockShiftMinutes(year: WeatherYear): number {
  const perDay = 1440 / year.stepMinutes
  const windows = Math.floor(365 / windowDays)
  const envelope = new Float64Array(windows * perDay)
  for (let w = 0; w < windows; w++)
    for (let d = 0; d < windowDays; d++)
      for (let p = 0; p < perDay; p++) {
        const value = year.ghi[(w * windowDays + d) * perDay + p] as number
        if (value > (envelope[w * perDay + p] as number)) envelope[w * perDay + p] = value
      }
  const clear = clearWindows(year, windows)
  const at = (w: number, minute: number) => clear[w * 1440 + (((minute % 1440) + 1440) % 1440)] as number
  /** Correlation of envelope and moved clear sky. */
  const fit = (shift: number) => {
    let [both, own, other] = [0, 0, 0]
    for (let w = 0; w < windows; w++)
      for (let p = 0; p < perDay; p++) {
        const measured = envelope[w * perDay + p] as number
        const model = at(w, Math.round((p + 0.5) * year.stepMinutes + shift))
        both += measured * model
        own += measured * measured
        other += model * model
      }
    return own > 0 && other > 0 ? both / Math.sqrt(own * other) : 0
  }
  let [best, bestFit] = [0, fit(0)]
  const look = (from: number, to: number, step: number) => {
    for (let shift = from; shift <= to; shift += step) {
      const value = fit(shift)
      if (value > bestFit + 1e-9) [best, bestFit] = [shift, value]
    }
  }
  look(-farthestMinutes, farthestMinutes, 30)
  look(best - 30, best + 30, fineMinutes)
  return best
}

/** Clear-sky global of each window's middle day, by the minute of standard time. */
function clearWindows(year: WeatherYear, windows: number): Float64Array {
  const start = yearStartMs(year.timeZoneHours)
  const startDay = julianDayOf(start)
  const sun = yearEphemeris(startDay, deltaTSeconds(1970 + start / 31_556_952_000))
  const [sinLat, cosLat] = [Math.sin(toRadians(year.latitudeDeg)), Math.cos(toRadians(year.latitudeDeg))]
  const out = new Float64Array(windows * 1440)
  for (let w = 0; w < windows; w++) {
    const day = w * windowDays + Math.floor(windowDays / 2)
    const extra = extraterrestrialWm2(day + 1)
    for (let minute = 0; minute < 1440; minute++) {
      const e = sun(startDay + day + minute / 1440)
      const declination = toRadians(e.declinationDeg)
      const hour = toRadians(e.siderealTimeDeg + year.longitudeDeg - e.rightAscensionDeg)
      const cosine = sinLat * Math.sin(declination) + cosLat * Math.cos(declination) * Math.cos(hour)
      if (cosine > 0.01)
        out[w * 1440 + minute] = clearSky(toDegrees(Math.acos(cosine)), year.elevationM, linke, extra).ghi
    }
  }
  return out
}

/**
 * A series of a year moved later by a number of intervals, round the turn of the year; between intervals in
 * proportion, so that the sum stays the same.
 */
export function shiftSeries(series: Float64Array, intervals: number): Float64Array {
  if (intervals === 0) return series
  const n = series.length
  const whole = Math.floor(intervals)
  const part = intervals - whole
  return Float64Array.from({ length: n }, (_, i) => {
    const from = (((i - whole) % n) + n) % n
    const value = series[from] as number
    return part === 0 ? value : (1 - part) * value + part * (series[(from || n) - 1] as number)
  })
}
