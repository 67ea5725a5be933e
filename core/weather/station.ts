import { toRadians } from '../model/units'

export interface Station {
  readonly id: string
  readonly name: string
  readonly latitudeDeg: number
  readonly longitudeDeg: number
  readonly elevationM: number
}

const earthRadiusM = 6_371_008.8

/** Great-circle distance in metres (haversine), sphere of the mean earth radius. */
export function greatCircleM(latA: number, lonA: number, latB: number, lonB: number): number {
  const dLat = toRadians(latB - latA)
  const dLon = toRadians(lonB - lonA)
  const h =
    Math.sin(dLat / 2) ** 2 + Math.cos(toRadians(latA)) * Math.cos(toRadians(latB)) * Math.sin(dLon / 2) ** 2
  return 2 * earthRadiusM * Math.asin(Math.min(1, Math.sqrt(h)))
}

/** Stations by their distance from a place, nearest first. */
export function byDistance<S extends Station>(
  stations: readonly S[],
  latitudeDeg: number,
  longitudeDeg: number,
) {
  return stations
    .map((station) => ({
      station,
      distanceM: greatCircleM(latitudeDeg, longitudeDeg, station.latitudeDeg, station.longitudeDeg),
    }))
    .sort((a, b) => a.distanceM - b.distanceM)
}

/** Beyond these a station's sky may not be the job's sky. */
export const stationNoteM = 25_000
export const stationWarningM = 80_000
