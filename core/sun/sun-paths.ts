import { yearStartMs } from '../model/model-year'
import { sunPosition } from './position'

/** A place of the sun in the sky, degrees. */
export interface SunPoint {
  readonly azimuthDeg: number
  readonly elevationDeg: number
}

interface Place {
  readonly latitudeDeg: number
  readonly longitudeDeg: number
  readonly elevationM: number
}

const minuteMs = 60_000
const dayMs = 1440 * minuteMs
const stepMinutes = 10

/** The sun's way over one day 0..364, while it is up, in steps of ten minutes of standard time. */
export function sunPath(place: Place, timeZoneHours: number, day: number): SunPoint[] {
  const start = yearStartMs(timeZoneHours) + day * dayMs
  const all = Array.from({ length: 1440 / stepMinutes + 1 }, (_, i) =>
    sunAt(place, start + i * stepMinutes * minuteMs),
  )
  return all.filter(({ elevationDeg }) => elevationDeg > 0)
}

/** Where the sun stands at an hour of standard time through the year, every fifth day on which it is up. */
export function hourLine(place: Place, timeZoneHours: number, hour: number): SunPoint[] {
  const start = yearStartMs(timeZoneHours)
  return Array.from({ length: 74 }, (_, i) =>
    sunAt(place, start + i * 5 * dayMs + hour * 60 * minuteMs),
  ).filter(({ elevationDeg }) => elevationDeg > 0)
}

function sunAt(place: Place, unixMs: number): SunPoint {
  const { azimuthDeg, elevationDeg } = sunPosition(unixMs, place)
  return { azimuthDeg, elevationDeg }
}
