import { yearStartMs } from '../weather/weather-year'
import { julianDayOf, deltaTSeconds, pressureAtHpa, sunAsSeen, sunEphemeris } from '../sun/position'
import { toRadians } from '../model/units'

/** The sun at the middle of every interval of a year in which it is up. */
export interface SunHours {
  /** Interval index of each entry, ascending. */
  readonly interval: Int32Array
  /** Towards the sun; three numbers an entry: east, north, up. */
  readonly direction: Float64Array
  /** 0..11, by standard time. */
  readonly month: Uint8Array
  readonly zenithDeg: Float64Array
  readonly azimuthDeg: Float64Array
  readonly stepMinutes: number
  readonly intervals: number
}

const monthStarts = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334]

/** Month 0..11 of a day of the year 0..364. */
export function monthOfDay(day: number): number {
  let month = 11
  while (month > 0 && day < (monthStarts[month] ?? 0)) month--
  return month
}

export function sunHours(
  site: { latitudeDeg: number; longitudeDeg: number; elevationM: number },
  timeZoneHours: number,
  stepMinutes: number,
): SunHours {
  const start = yearStartMs(timeZoneHours)
  const intervals = (365 * 24 * 60) / stepMinutes
  const { latitudeDeg, longitudeDeg, elevationM } = site
  const observer = { latitudeDeg, longitudeDeg, elevationM, pressureHpa: pressureAtHpa(elevationM) }
  const deltaT = deltaTSeconds(1970 + start / 31_556_952_000)
  const interval: number[] = []
  const direction: number[] = []
  const month: number[] = []
  const zenith: number[] = []
  const azimuth: number[] = []
  for (let i = 0; i < intervals; i++) {
    const middle = start + (i + 0.5) * stepMinutes * 60_000
    const seen = sunAsSeen(sunEphemeris(julianDayOf(middle), deltaT), observer)
    if (seen.elevationDeg <= 0) continue
    const e = toRadians(seen.elevationDeg)
    const a = toRadians(seen.azimuthDeg)
    interval.push(i)
    direction.push(Math.cos(e) * Math.sin(a), Math.cos(e) * Math.cos(a), Math.sin(e))
    month.push(monthOfDay(Math.floor((i * stepMinutes) / 1440)))
    zenith.push(seen.zenithDeg)
    azimuth.push(seen.azimuthDeg)
  }
  return {
    interval: Int32Array.from(interval),
    direction: Float64Array.from(direction),
    month: Uint8Array.from(month),
    zenithDeg: Float64Array.from(zenith),
    azimuthDeg: Float64Array.from(azimuth),
    stepMinutes,
    intervals,
  }
}
