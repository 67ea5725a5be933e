import { digest } from '@/core/model/digest'
import { byDistance } from '@/core/weather/station'
import { type LatLon } from '@/core/geometry/geo'
import { readEpw, writeEpw } from '@/core/weather/epw'
import { type WeatherYear } from '@/core/weather/weather-year'
import { towns } from './towns'
import { stationYear } from './weather'

/** All stations of the made-up world. */
export const stations = towns.flatMap((town) => town.stations.map((station) => ({ ...station, town })))

/** Stations by distance from a place. */
export const stationsNear = (place: LatLon) => byDistance(stations, place.latitudeDeg, place.longitudeDeg)

const files = new Map<string, string>()

/** The station's weather as an EPW file; undefined for an unknown id. */
export function stationEpw(id: string): string | undefined {
  const station = stations.find((s) => s.id === id)
  if (!station) return undefined
  let text = files.get(id)
  if (!text) files.set(id, (text = writeEpw(stationYear(station.town, station))))
  return text
}

const years = new Map<string, { year: WeatherYear; key: string }>()

/** The same, read; its key tells it apart. */
export function stationWeather(id: string): { year: WeatherYear; key: string } | undefined {
  const known = years.get(id)
  if (known) return known
  const text = stationEpw(id)
  if (!text) return undefined
  const entry = { year: readEpw(text), key: digest(text) }
  years.set(id, entry)
  return entry
}
