import { zoneOffsetMs } from '../model/local-clock'
import { sunPosition, type SunPosition } from './position'
import { sunDay } from './rise-set'

interface Place {
  readonly latitudeDeg: number
  readonly longitudeDeg: number
  readonly elevationM: number
  readonly timeZone: string
}

const dayMs = 86_400_000

/** Unix milliseconds of a local clock time; in the hour that daylight saving skips, an hour later. */
export function clockMs(timeZone: string, year: number, day: number, hour: number): number {
  const wall = Date.UTC(year, 0, 1) + day * dayMs + hour * 3_600_000
  const guess = wall - zoneOffsetMs(timeZone, wall)
  return wall - zoneOffsetMs(timeZone, guess)
}

/** The sun at a local clock time of a day 0..364. */
export const sunAtClock = (place: Place, year: number, day: number, hour: number): SunPosition =>
  sunPosition(clockMs(place.timeZone, year, day, hour), place)

/** Sunrise and sunset of a day in local clock hours; null when the sun stays up or down. */
export function daylightHours(place: Place, year: number, day: number): { rise: number; set: number } | null {
  const noon = clockMs(place.timeZone, year, day, 12)
  const offset = zoneOffsetMs(place.timeZone, noon)
  const start = Date.UTC(year, 0, 1) + day * dayMs
  const { sunriseMs, sunsetMs } = sunDay(start, place.latitudeDeg, place.longitudeDeg, offset / 3_600_000)
  if (sunriseMs === null || sunsetMs === null) return null
  return { rise: (sunriseMs + offset - start) / 3_600_000, set: (sunsetMs + offset - start) / 3_600_000 }
}
