import { toDegrees, toRadians } from '../model/units'
import { deltaTSeconds, julianDayOf, limitDegrees, sunEphemeris, type SunEphemeris } from './position'

/** Unix times in milliseconds; null when the sun stays up or down all day. */
export interface SunDay {
  readonly sunriseMs: number | null
  readonly transitMs: number
  readonly sunsetMs: number | null
}

const dayMs = 86_400_000
/** The sun's upper limb on a horizon with standard refraction. */
const horizonDeg = -0.8333

/** Into -180..180. */
const wrap180 = (degrees: number) => {
  const rest = limitDegrees(degrees)
  return rest > 180 ? rest - 360 : rest
}

/** Into -0.5..0.5 of a day around a first guess, so that near-midnight events stay on their own day. */
const wrapDay = (fraction: number) => fraction - Math.floor(fraction)

/**
 * Sunrise, transit and sunset of a local day after Reda & Andreas 2004, appendix A.2, with the sun taken at 0 TT of the
 * day before, the day and the day after.
 * @param dayStartUtcMs midnight UT of the calendar day
 * @param offsetHours of the local clock, to say which of the day's events belong to it
 */
export function sunDay(
  dayStartUtcMs: number,
  latitudeDeg: number,
  longitudeDeg: number,
  offsetHours = 0,
  deltaT?: number,
): SunDay {
  const dt = deltaT ?? deltaTSeconds(1970 + dayStartUtcMs / 31_556_952_000)
  const julian = julianDayOf(dayStartUtcMs)
  const sidereal = sunEphemeris(julian, 0).siderealTimeDeg
  const ephemeris = (day: number) => sunEphemeris(julian + day, 0)
  const before = ephemeris(-1)
  const today = ephemeris(0)
  const after = ephemeris(1)
  const phi = toRadians(latitudeDeg)
  const transit0 = (today.rightAscensionDeg - longitudeDeg - sidereal) / 360

  const interpolate = (pick: (e: SunEphemeris) => number, n: number, wrap: boolean) => {
    const limit = (d: number) => (wrap && Math.abs(d) > 2 ? wrapDay(d) : d)
    const a = limit(pick(today) - pick(before))
    const b = limit(pick(after) - pick(today))
    return pick(today) + (n * (a + b + (b - a) * n)) / 2
  }
  const hourAngleAt = (m: number) => {
    const n = m + dt / 86400
    const alpha = interpolate((e) => e.rightAscensionDeg, n, true)
    return wrap180(sidereal + 360.985647 * m + longitudeDeg - alpha)
  }
  const declinationAt = (m: number) => interpolate((e) => e.declinationDeg, m + dt / 86400, false)

  // The events of the local day: local midnight is offsetHours before UT midnight.
  const onLocalDay = (fraction: number) => {
    const shift = offsetHours / 24
    return wrapDay(fraction + shift) - shift
  }
  const m0 = onLocalDay(wrapDay(transit0))
  const transit = m0 - hourAngleAt(m0) / 360
  const transitMs = dayStartUtcMs + transit * dayMs

  const cosH0 =
    (Math.sin(toRadians(horizonDeg)) - Math.sin(phi) * Math.sin(toRadians(today.declinationDeg))) /
    (Math.cos(phi) * Math.cos(toRadians(today.declinationDeg)))
  if (!(Math.abs(cosH0) <= 1)) return { sunriseMs: null, transitMs, sunsetMs: null }
  const h0 = toDegrees(Math.acos(cosH0))
  const refine = (first: number) => {
    const m = onLocalDay(wrapDay(first))
    const h = hourAngleAt(m)
    const delta = toRadians(declinationAt(m))
    const height = toDegrees(
      Math.asin(Math.sin(phi) * Math.sin(delta) + Math.cos(phi) * Math.cos(delta) * Math.cos(toRadians(h))),
    )
    return m + (height - horizonDeg) / (360 * Math.cos(delta) * Math.cos(phi) * Math.sin(toRadians(h)))
  }
  return {
    sunriseMs: dayStartUtcMs + refine(transit0 - h0 / 360) * dayMs,
    transitMs,
    sunsetMs: dayStartUtcMs + refine(transit0 + h0 / 360) * dayMs,
  }
}
