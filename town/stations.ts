import { type LatLon } from '@/core/geometry/geo'
import { daysInMonth } from '@/core/model/model-year'
import { digest } from '@/core/model/digest'
import { readEpw, writeEpw } from '@/core/weather/epw-year'
import { byDistance } from '@/core/weather/station'
import { type WeatherYear } from '@/core/weather/weather-year'
import { towns } from './towns'
import { laterYears, recordMonths, recordYears, stationRecordYear, stationYear } from './weather'

/** All stations of the made-up world. */
export const stations = towns.flatMap((town) => town.stations.map((station) => ({ ...station, town })))

/** Stations by distance from a place. */
export const stationsNear = (place: LatLon) => byDistance(stations, place.latitudeDeg, place.longitudeDeg)

const found = (id: string) => stations.find((station) => station.id === id)
const files = new Map<string, string>()
const knownYears: ReadonlySet<number> = new Set([...recordYears, ...laterYears])

/** The station's typical year, or the weather of a single one, as an EPW file; undefined for an unknown id or year. */
export function stationEpw(id: string, year?: number): string | undefined {
  const station = found(id)
  if (!station || (year !== undefined && !knownYears.has(year))) return undefined
  if (year !== undefined) return writeEpw(stationRecordYear(station.town, station, year))
  let text = files.get(id)
  if (!text) files.set(id, (text = writeEpw(stationYear(station.town, station))))
  return text
}

const years = new Map<string, { year: WeatherYear; key: string }>()

/** The typical year, read; its key tells it apart. */
export function stationWeather(id: string): { year: WeatherYear; key: string } | undefined {
  const known = years.get(id)
  if (known) return known
  const text = stationEpw(id)
  if (!text) return undefined
  const entry = { year: readEpw(text), key: digest(text) }
  years.set(id, entry)
  return entry
}

const spreads = new Map<string, YearSpread>()

/** How much the years on record differ. */
export interface YearSpread {
  readonly years: readonly { readonly year: number; readonly ghiKwhM2: number }[]
  /** Standard deviation of a year's light as a share of the mean. */
  readonly spread: number
}

/** Light of each year on record at a station; undefined for an unknown id. */
export function stationSpread(id: string): YearSpread | undefined {
  const station = found(id)
  if (!station) return undefined
  const known = spreads.get(id)
  if (known) return known
  const sums = recordYears.map((year) => ({
    year,
    // The hours of a year on record meet its months.
    ghiKwhM2: recordMonths(station, year).dailyKwhM2.reduce(
      (sum, daily, month) => sum + daily * (daysInMonth[month] ?? 30),
      0,
    ),
  }))
  const mean = sums.reduce((sum, { ghiKwhM2 }) => sum + ghiKwhM2, 0) / sums.length
  const variance = sums.reduce((sum, { ghiKwhM2 }) => sum + (ghiKwhM2 - mean) ** 2, 0) / (sums.length - 1)
  const result = { years: sums, spread: Math.sqrt(variance) / mean }
  spreads.set(id, result)
  return result
}
