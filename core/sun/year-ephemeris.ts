import { limitDegrees, sunEphemeris, type SunEphemeris } from './position'

/** What `sunAsSeen` needs of an ephemeris. */
export type SunAt = Pick<
  SunEphemeris,
  'rightAscensionDeg' | 'declinationDeg' | 'radiusAu' | 'siderealTimeDeg'
>

/** Days between the table's entries. */
const stride = 4
const entries = Math.ceil(367 / stride) + 5
const fields = 4

/** Turns of the earth against the stars in a day, degrees: Reda & Andreas 2004, eq. 28. */
const turnADay = 360.98564736629

/** The value nearest to `near` that is the same angle. */
const unwrapped = (angle: number, near: number) => near + (limitDegrees(angle - near + 180) - 180)

/**
 * The algorithm of Reda & Andreas for any moment of a year at a fraction of its cost: right ascension, declination,
 * distance and the equation of the equinoxes every fourth day, cubic between them (Lagrange, four points). The sun
 * moves so evenly that this stays within 0.0001 degrees of the full series; the earth's turn is exact.
 * @param startJulianDay of the year's start (UT); moments may lie from a day before to 367 days after
 * @returns the sun at a Julian day; the object is overwritten by the next call
 */
export function yearEphemeris(startJulianDay: number, deltaT: number): (julianDay: number) => SunAt {
  const first = Math.floor(startJulianDay) - 2 * stride
  // Entry by entry: right ascension, declination, distance, sidereal time less the even turn.
  const table = new Float64Array(entries * fields)
  for (let k = 0; k < entries; k++) {
    const e = sunEphemeris(first + k * stride, deltaT)
    const turn = e.siderealTimeDeg - limitDegrees(turnADay * k * stride)
    const at = k * fields
    // Without jumps at 360 degrees, so that it can be interpolated.
    table[at] = k > 0 ? unwrapped(e.rightAscensionDeg, table[at - fields] as number) : e.rightAscensionDeg
    table[at + 1] = e.declinationDeg
    table[at + 2] = e.radiusAu
    table[at + 3] = k > 0 ? unwrapped(turn, table[at - 1] as number) : turn
  }
  const out = { rightAscensionDeg: 0, declinationDeg: 0, radiusAu: 0, siderealTimeDeg: 0 }
  return (julianDay) => {
    const days = julianDay - first
    const k = Math.floor(days / stride)
    if (k < 1 || k > entries - 3)
      throw new RangeError(`${julianDay} is not within the year of this ephemeris`)
    const t = days / stride - k
    const a = (-t * (t - 1) * (t - 2)) / 6
    const b = ((t + 1) * (t - 1) * (t - 2)) / 2
    const c = (-(t + 1) * t * (t - 2)) / 2
    const d = ((t + 1) * t * (t - 1)) / 6
    let at = (k - 1) * fields
    let [ascension, declination, radius, turn] = [0, 0, 0, 0]
    for (const weight of [a, b, c, d]) {
      ascension += weight * (table[at] as number)
      declination += weight * (table[at + 1] as number)
      radius += weight * (table[at + 2] as number)
      turn += weight * (table[at + 3] as number)
      at += fields
    }
    out.rightAscensionDeg = ascension
    out.declinationDeg = declination
    out.radiusAu = radius
    out.siderealTimeDeg = turn + turnADay * days
    return out
  }
}
