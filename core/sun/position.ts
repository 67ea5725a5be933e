import { toDegrees, toRadians } from '../model/units'
import { latitudeTerms, longitudeTerms, nutationTerms, radiusTerms } from './earth-terms'

/**
 * The solar position algorithm of Reda & Andreas 2004 (NREL/TP-560-34302): uncertainty 0.0003 degrees from -2000 to
 * 6000. Step numbers in the comments are those of its section 3.
 */

/** What the sun and earth do at a moment, the same for every place. Angles in degrees, distances in AU. */
export interface SunEphemeris {
  readonly julianDay: number
  readonly heliocentricLongitudeDeg: number
  readonly heliocentricLatitudeDeg: number
  readonly radiusAu: number
  readonly nutationLongitudeDeg: number
  readonly nutationObliquityDeg: number
  readonly rightAscensionDeg: number
  readonly declinationDeg: number
  /** Apparent sidereal time at Greenwich. */
  readonly siderealTimeDeg: number
  readonly equationOfTimeMin: number
}

export interface Observer {
  readonly latitudeDeg: number
  /** East positive. */
  readonly longitudeDeg: number
  readonly elevationM?: number
  readonly pressureHpa?: number
  readonly temperatureC?: number
}

export interface SunPosition {
  /** Topocentric, refraction included. */
  readonly zenithDeg: number
  /** Clockwise from true north. */
  readonly azimuthDeg: number
  readonly elevationDeg: number
  readonly declinationDeg: number
  readonly hourAngleDeg: number
}

export const limitDegrees = (degrees: number) => {
  const rest = degrees % 360
  return rest < 0 ? rest + 360 : rest
}

/** Julian day of a Unix time in milliseconds. */
export const julianDayOf = (unixMs: number) => unixMs / 86_400_000 + 2440587.5

/** Tables as flat arrays, once: a year of positions sums some two million of their terms. */
const flatten = (table: readonly (readonly (readonly number[])[])[]) =>
  table.map((rows) => Float64Array.from(rows.flat()))
const longitude = flatten(longitudeTerms)
const latitude = flatten(latitudeTerms)
const radiusVector = flatten(radiusTerms)
const nutation = Float64Array.from(nutationTerms.flat())

function series(table: readonly Float64Array[], t: number): number {
  let sum = 0
  let power = 1
  for (const rows of table) {
    let inner = 0
    for (let i = 0; i < rows.length; i += 3)
      inner += (rows[i] as number) * Math.cos((rows[i + 1] as number) + (rows[i + 2] as number) * t)
    sum += inner * power
    power *= t
  }
  return sum / 1e8
}

const cubic = (t: number, a: number, b: number, c: number, divisor: number) =>
  ((t / divisor + c) * t + b) * t + a

/**
 * TT - UT in seconds for a decimal year: Espenak & Meeus 2006, "Five millennium canon of solar eclipses",
 * polynomials for 1941 to 2050; outside these the long-term parabola.
 */
export function deltaTSeconds(year: number): number {
  if (year >= 2005 && year < 2050) {
    const t = year - 2000
    return 62.92 + 0.32217 * t + 0.005589 * t * t
  }
  if (year >= 1986 && year < 2005) {
    const t = year - 2000
    return (
      63.86 +
      0.3345 * t -
      0.060374 * t ** 2 +
      0.0017275 * t ** 3 +
      0.000651814 * t ** 4 +
      0.00002373599 * t ** 5
    )
  }
  if (year >= 1961 && year < 1986) {
    const t = year - 1975
    return 45.45 + 1.067 * t - (t * t) / 260 - t ** 3 / 718
  }
  if (year >= 1941 && year < 1961) {
    const t = year - 1950
    return 29.07 + 0.407 * t - (t * t) / 233 + t ** 3 / 2547
  }
  const u = (year - 1820) / 100
  return year >= 2050 && year < 2150 ? -20 + 32 * u * u - 0.5628 * (2150 - year) : -20 + 32 * u * u
}

/** Steps 3.1 to 3.10 and appendix A.1. `julianDay` is in UT. */
export function sunEphemeris(julianDay: number, deltaT: number): SunEphemeris {
  const jc = (julianDay - 2451545) / 36525
  const jce = (julianDay + deltaT / 86400 - 2451545) / 36525
  const jme = jce / 10
  const helioLongitude = limitDegrees(toDegrees(series(longitude, jme)))
  const helioLatitude = toDegrees(series(latitude, jme))
  const radius = series(radiusVector, jme)
  const geoLongitude = limitDegrees(helioLongitude + 180)
  const geoLatitude = -helioLatitude

  const x = [
    cubic(jce, 297.85036, 445267.11148, -0.0019142, 189474),
    cubic(jce, 357.52772, 35999.05034, -0.0001603, -300000),
    cubic(jce, 134.96298, 477198.867398, 0.0086972, 56250),
    cubic(jce, 93.27191, 483202.017538, -0.0036825, 327270),
    cubic(jce, 125.04452, -1934.136261, 0.0020708, 450000),
  ]
  let psi = 0
  let epsilon = 0
  for (let i = 0; i < nutation.length; i += 9) {
    let argument = 0
    for (let k = 0; k < 5; k++) argument += (nutation[i + k] as number) * (x[k] as number)
    argument = toRadians(argument)
    psi += ((nutation[i + 5] as number) + (nutation[i + 6] as number) * jce) * Math.sin(argument)
    epsilon += ((nutation[i + 7] as number) + (nutation[i + 8] as number) * jce) * Math.cos(argument)
  }
  const nutationLongitude = psi / 36_000_000
  const nutationObliquity = epsilon / 36_000_000

  const u = jme / 10
  const meanObliquity =
    84381.448 +
    u *
      (-4680.93 +
        u *
          (-1.55 +
            u *
              (1999.25 +
                u *
                  (-51.38 +
                    u * (-249.67 + u * (-39.05 + u * (7.12 + u * (27.87 + u * (5.79 + u * 2.45)))))))))
  const obliquity = meanObliquity / 3600 + nutationObliquity
  const aberration = -20.4898 / (3600 * radius)
  const lambda = geoLongitude + nutationLongitude + aberration

  const meanSidereal = limitDegrees(
    280.46061837 + 360.98564736629 * (julianDay - 2451545) + jc * jc * (0.000387933 - jc / 38_710_000),
  )
  const eps = toRadians(obliquity)
  const siderealTime = meanSidereal + nutationLongitude * Math.cos(eps)
  const lam = toRadians(lambda)
  const bet = toRadians(geoLatitude)
  const rightAscension = limitDegrees(
    toDegrees(Math.atan2(Math.sin(lam) * Math.cos(eps) - Math.tan(bet) * Math.sin(eps), Math.cos(lam))),
  )
  const declination = toDegrees(
    Math.asin(Math.sin(bet) * Math.cos(eps) + Math.cos(bet) * Math.sin(eps) * Math.sin(lam)),
  )
  const meanLongitude = limitDegrees(
    280.4664567 +
      jme * (360007.6982779 + jme * (0.03032028 + jme * (1 / 49931 + jme * (-1 / 15300 - jme / 2_000_000)))),
  )
  let equation = 4 * (meanLongitude - 0.0057183 - rightAscension + nutationLongitude * Math.cos(eps))
  if (equation > 20) equation -= 1440
  if (equation < -20) equation += 1440
  return {
    julianDay,
    heliocentricLongitudeDeg: helioLongitude,
    heliocentricLatitudeDeg: helioLatitude,
    radiusAu: radius,
    nutationLongitudeDeg: nutationLongitude,
    nutationObliquityDeg: nutationObliquity,
    rightAscensionDeg: rightAscension,
    declinationDeg: declination,
    siderealTimeDeg: siderealTime,
    equationOfTimeMin: equation,
  }
}

/** Sea-level standard pressure and its decrease with height (ISO 2533), hPa. */
export const pressureAtHpa = (elevationM: number) => 1013.25 * (1 - 2.25577e-5 * elevationM) ** 5.25588

/** Half the sun's disc and the refraction at the horizon (step 3.14.1 and A.2.3). */
const horizonRefractionDeg = 0.5667
const sunRadiusDeg = 0.26667

type SeenSun = Pick<SunEphemeris, 'rightAscensionDeg' | 'declinationDeg' | 'radiusAu' | 'siderealTimeDeg'>

/** Steps 3.11 to 3.15: where an observer sees the sun. */
export const sunAsSeen = (sun: SeenSun, observer: Observer): SunPosition => sunSeenBy(observer)(sun)

/** The same for many moments: what only the place decides is worked out once. */
export function sunSeenBy(observer: Observer): (sun: SeenSun) => SunPosition {
  const elevationM = observer.elevationM ?? 0
  const pressure = observer.pressureHpa ?? pressureAtHpa(elevationM)
  const temperature = observer.temperatureC ?? 12
  const phi = toRadians(observer.latitudeDeg)
  const [sinPhi, cosPhi] = [Math.sin(phi), Math.cos(phi)]
  const u = Math.atan(0.99664719 * Math.tan(phi))
  const x = Math.cos(u) + (elevationM / 6378140) * cosPhi
  const y = 0.99664719 * Math.sin(u) + (elevationM / 6378140) * sinPhi
  const bending = ((pressure / 1010) * (283 / (273 + temperature)) * 1.02) / 60
  return (sun) => {
    const hourAngle = limitDegrees(sun.siderealTimeDeg + observer.longitudeDeg - sun.rightAscensionDeg)
    const sinXi = Math.sin(toRadians(8.794 / (3600 * sun.radiusAu)))
    const h = toRadians(hourAngle)
    const delta = toRadians(sun.declinationDeg)
    const beside = Math.cos(delta) - x * sinXi * Math.cos(h)
    const parallax = Math.atan2(-x * sinXi * Math.sin(h), beside)
    const deltaTop = Math.atan2((Math.sin(delta) - y * sinXi) * Math.cos(parallax), beside)
    const hTop = h - parallax
    const [cosH, sinTop, cosTop] = [Math.cos(hTop), Math.sin(deltaTop), Math.cos(deltaTop)]
    const e0 = toDegrees(Math.asin(sinPhi * sinTop + cosPhi * cosTop * cosH))
    const refraction =
      e0 >= -(sunRadiusDeg + horizonRefractionDeg)
        ? bending / Math.tan(toRadians(e0 + 10.3 / (e0 + 5.11)))
        : 0
    const elevation = e0 + refraction
    const gamma = toDegrees(Math.atan2(Math.sin(hTop), cosH * sinPhi - (sinTop / cosTop) * cosPhi))
    return {
      zenithDeg: 90 - elevation,
      elevationDeg: elevation,
      azimuthDeg: limitDegrees(gamma + 180),
      declinationDeg: toDegrees(deltaTop),
      hourAngleDeg: limitDegrees(toDegrees(hTop)),
    }
  }
}

/** The sun at a Unix time in milliseconds. */
export function sunPosition(unixMs: number, observer: Observer, deltaT?: number): SunPosition {
  const year = 1970 + unixMs / 31_556_952_000
  return sunAsSeen(sunEphemeris(julianDayOf(unixMs), deltaT ?? deltaTSeconds(year)), observer)
}

/** Unit vector towards the sun: x east, y north, z up. */
export function sunDirection(
  position: Pick<SunPosition, 'elevationDeg' | 'azimuthDeg'>,
): [number, number, number] {
  const e = toRadians(position.elevationDeg)
  const a = toRadians(position.azimuthDeg)
  return [Math.cos(e) * Math.sin(a), Math.cos(e) * Math.cos(a), Math.sin(e)]
}

/** Angle between the sun and a surface's normal (step 3.16). Azimuth clockwise from north. */
export function incidenceDeg(position: SunPosition, tiltDeg: number, azimuthDeg: number): number {
  const z = toRadians(position.zenithDeg)
  const t = toRadians(tiltDeg)
  const cosine =
    Math.cos(z) * Math.cos(t) +
    Math.sin(t) * Math.sin(z) * Math.cos(toRadians(position.azimuthDeg - azimuthDeg))
  return toDegrees(Math.acos(Math.max(-1, Math.min(1, cosine))))
}
