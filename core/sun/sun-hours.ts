import { daysIn, modelYear, monthOfDay, yearStartMs } from '../model/model-year'
import { toRadians } from '../model/units'
import { relativeAirMass } from './perez'
import { deltaTSeconds, julianDayOf, pressureAtHpa, sunSeenBy } from './position'
import { yearEphemeris } from './year-ephemeris'

/** The sun of every interval of a year in which it is up, at the middle of the time that it is up in it. */
export interface SunHours {
  /** Interval index of each entry, ascending. */
  readonly interval: Int32Array
  /** Towards the sun; three numbers an entry: east, north, up. */
  readonly direction: Float64Array
  /** 0..11, by standard time. */
  readonly month: Uint8Array
  readonly zenithDeg: Float64Array
  readonly azimuthDeg: Float64Array
  /** Relative, after Kasten & Young 1989. */
  readonly airMass: Float64Array
  /** Share of the interval in which the sun is up: below 1 where it rises or sets. */
  readonly upShare: Float64Array
  readonly stepMinutes: number
  readonly intervals: number
}

/** Where refraction just lifts the sun's middle over a level horizon. */
const horizonDeg = -0.5667
const refinements = 4
/** The 29th of February, counted from 0. */
const leapDay = 59
/** Sine of height by which the rough sun below may be wrong: a day's declination and equation of time, some 0.6 degrees. */
const roughMargin = 0.02

/**
 * Sun of a whole year for a place, at apparent (refracted) height. In the intervals of sunrise and sunset the sun is
 * taken at the middle of its time above the horizon, so that a low sun is not left out nor put too high.
 * @param timeZoneHours standard time that the intervals are counted in
 * @param stepMinutes length of an interval, a divisor of 60
 * @param year whose sun it is; the modelled one when not given
 */
export function sunHours(
  site: { latitudeDeg: number; longitudeDeg: number; elevationM: number },
  timeZoneHours: number,
  stepMinutes: number,
  year: number = modelYear,
): SunHours {
  const start = yearStartMs(timeZoneHours, year)
  const perDay = 1440 / stepMinutes
  const days = daysIn(year)
  const intervals = days * perDay
  /** The last of February counts as the day before it in a leap year. */
  const monthAt = (day: number) => monthOfDay(days > 365 && day >= leapDay ? day - 1 : day)
  const { latitudeDeg, longitudeDeg, elevationM } = site
  const seenBy = sunSeenBy({
    latitudeDeg,
    longitudeDeg,
    elevationM,
    pressureHpa: pressureAtHpa(elevationM),
  })
  const startDay = julianDayOf(start)
  const sun = yearEphemeris(startDay, deltaTSeconds(1970 + start / 31_556_952_000))
  const step = stepMinutes / 1440
  const sinLatitude = Math.sin(toRadians(latitudeDeg))
  const cosLatitude = Math.cos(toRadians(latitudeDeg))
  const sinHorizon = Math.sin(toRadians(horizonDeg))
  /** Sine of the sun's geometric height over that of the horizon, days after the year's start. */
  const over = (day: number) => {
    const e = sun(startDay + day)
    const declination = toRadians(e.declinationDeg)
    const hour = toRadians(e.siderealTimeDeg + longitudeDeg - e.rightAscensionDeg)
    return (
      sinLatitude * Math.sin(declination) + cosLatitude * Math.cos(declination) * Math.cos(hour) - sinHorizon
    )
  }
  const roughly = roughSine(sun, startDay, longitudeDeg, sinLatitude, cosLatitude)
  /** As `over` in its sign; exact only where the sun is near the horizon. */
  const sign = (day: number) => {
    const value = roughly(day) - sinHorizon
    return Math.abs(value) > roughMargin ? value : over(day)
  }
  /** False position: within an interval the height is nearly a straight line. */
  const crossing = (from: number, to: number, overFrom: number, overTo: number) => {
    let [a, b, fa, fb] = [from, to, overFrom, overTo]
    let middle = a
    for (let k = 0; k < refinements; k++) {
      middle = a - (fa * (b - a)) / (fb - fa)
      const value = over(middle)
      if (value * fa > 0) [a, fa] = [middle, value]
      else [b, fb] = [middle, value]
    }
    return middle
  }

  const interval: number[] = []
  const direction: number[] = []
  const month: number[] = []
  const zenith: number[] = []
  const azimuth: number[] = []
  const share: number[] = []
  let before = sign(0)
  for (let i = 0; i < intervals; i++) {
    const [from, to] = [i * step, (i + 1) * step]
    const after = sign(to)
    const begins = before
    before = after
    if (begins <= 0 && after <= 0) continue
    let [up, down] = [from, to]
    if (begins <= 0) up = crossing(from, to, over(from), over(to))
    else if (after <= 0) down = crossing(from, to, over(from), over(to))
    const seen = seenBy(sun(startDay + (up + down) / 2))
    if (seen.elevationDeg <= 0) continue
    const e = toRadians(seen.elevationDeg)
    const a = toRadians(seen.azimuthDeg)
    interval.push(i)
    direction.push(Math.cos(e) * Math.sin(a), Math.cos(e) * Math.cos(a), Math.sin(e))
    month.push(monthAt(Math.floor(i / perDay)))
    zenith.push(seen.zenithDeg)
    azimuth.push(seen.azimuthDeg)
    share.push((down - up) / step)
  }
  return {
    interval: Int32Array.from(interval),
    direction: Float64Array.from(direction),
    month: Uint8Array.from(month),
    zenithDeg: Float64Array.from(zenith),
    azimuthDeg: Float64Array.from(azimuth),
    airMass: Float64Array.from(zenith, relativeAirMass),
    upShare: Float64Array.from(share),
    stepMinutes,
    intervals,
  }
}

/** Sine of the sun's geometric height with the declination and hour angle of each day's noon carried through the day. */
function roughSine(
  sun: (julianDay: number) => { rightAscensionDeg: number; declinationDeg: number; siderealTimeDeg: number },
  startDay: number,
  longitudeDeg: number,
  sinLatitude: number,
  cosLatitude: number,
): (day: number) => number {
  let known = -1
  let [base, scale, hourAtNoon] = [0, 0, 0]
  return (at) => {
    const day = Math.floor(at)
    if (day !== known) {
      known = day
      const e = sun(startDay + day + 0.5)
      const declination = toRadians(e.declinationDeg)
      base = sinLatitude * Math.sin(declination)
      scale = cosLatitude * Math.cos(declination)
      hourAtNoon = toRadians(e.siderealTimeDeg + longitudeDeg - e.rightAscensionDeg)
    }
    return base + scale * Math.cos(hourAtNoon + 2 * Math.PI * (at - day - 0.5))
  }
}
