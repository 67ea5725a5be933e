import { daysInMonth, monthsOf } from '@/core/model/model-year'
import { byMonth } from '@/core/energy/loss-chain'
import { clearSky } from '@/core/sun/clear-sky'
import { extraterrestrialWm2 } from '@/core/sun/perez'
import { sunHours } from '@/core/sun/sun-hours'
import { weatherProblems } from '@/core/weather/quality'
import { energyKwh, type WeatherYear } from '@/core/weather/weather-year'
import { stations, stationEpw, stationSpread, stationsNear } from './stations'
import { towns } from './towns'
import { recordYears, stationRecordYear, stationYear } from './weather'

const sound = (year: WeatherYear) =>
  weatherProblems({ year, lines: new Int32Array(year.ghi.length), problems: [] })

test.each(stations.map((station) => [station.name, station] as const))(
  '%s: months meet the normals within 1 %%, nothing looks wrong, the same every time',
  (_name, station) => {
    const year = stationYear(station.town, station)
    const { monthly } = byMonth(year.ghi, monthsOf(60), 1 / 1000)
    monthly.forEach((kwh, m) => {
      const wanted = (station.dailyKwhM2[m] ?? 0) * (daysInMonth[m] ?? 30)
      expect(Math.abs(kwh / wanted - 1)).toBeLessThan(0.01)
    })
    expect(sound(year)).toEqual([])
    expect(stationYear(station.town, station).ghi).toEqual(year.ghi)
  },
)

test('clear and overcast hours come as weather does: both ends crowded, days that last', () => {
  for (const town of towns) {
    const station = town.stations[0]
    if (!station) throw new Error('a town has stations')
    const year = stationYear(town, station)
    const sun = sunHours(station, town.timeZoneHours, 60)
    const index: number[] = []
    const daily = new Map<number, { made: number; clear: number }>()
    sun.interval.forEach((i, k) => {
      const zenith = sun.zenithDeg[k] ?? 90
      if (zenith > 75) return
      const day = Math.floor(i / 24)
      const clear = clearSky(zenith, station.elevationM, 3, extraterrestrialWm2(day + 1)).ghi
      index.push((year.ghi[i] ?? 0) / clear)
      const sums = daily.get(day) ?? { made: 0, clear: 0 }
      daily.set(day, { made: sums.made + (year.ghi[i] ?? 0), clear: sums.clear + clear })
    })
    const share = (low: number, high: number) =>
      index.filter((value) => value >= low && value < high).length / index.length
    expect(share(0, 0.35)).toBeGreaterThan(0.04)
    expect(share(0, 0.35)).toBeLessThan(0.4)
    expect(share(0.85, 1.2)).toBeGreaterThan(0.25)
    // More of both ends than of the same width in the middle.
    expect(share(0.9, 1.1)).toBeGreaterThan(share(0.5, 0.7))
    const days = [...daily.values()].map(({ made, clear }) => made / clear)
    const mean = days.reduce((s, v) => s + v, 0) / days.length
    const both = days.slice(1).reduce((s, v, d) => s + (v - mean) * ((days[d] ?? 0) - mean), 0)
    const own = days.reduce((s, v) => s + (v - mean) ** 2, 0)
    expect(both / own).toBeGreaterThan(0.2)
    expect(both / own).toBeLessThan(0.8)
  }
})

test('years on record spread as years do, and their hours sum to what the spread says', () => {
  for (const id of ['pellworth-pier', 'tarrowee-silo']) {
    const station = stations.find((s) => s.id === id)
    const spread = stationSpread(id)
    if (!station || !spread) throw new Error('the station is known')
    expect(spread.years.map(({ year }) => year)).toEqual(recordYears)
    expect(spread.spread).toBeGreaterThan(0.015)
    expect(spread.spread).toBeLessThan(0.06)
    for (const { year, ghiKwhM2 } of spread.years.slice(0, 4)) {
      const hours = stationRecordYear(station.town, station, year)
      expect(Math.abs(energyKwh(hours.ghi, 60) / ghiKwhM2 - 1)).toBeLessThan(0.01)
      expect(sound(hours)).toEqual([])
    }
  }
  expect(stationSpread('nowhere')).toBeUndefined()
  expect(stationEpw('pellworth-pier', 1900)).toBeUndefined()
  expect(stationEpw('pellworth-pier', 2015)).toMatch(/^LOCATION,Pellworth Pier/)
})

test('snow lies where winters are cold, in their months, and warm and bright go together', () => {
  const year = (id: string) => {
    const station = stations.find((s) => s.id === id)
    if (!station) throw new Error('the station is known')
    return stationYear(station.town, station)
  }
  const cold = year('harrow-ridge')
  const july = [181 * 24, 212 * 24] as const
  expect(Math.max(...(cold.snowDepthM ?? []))).toBeGreaterThan(0.02)
  expect(Math.max(...(cold.snowDepthM?.slice(...july) ?? [1]))).toBe(0)
  expect(year('tarrowee-silo').snowDepthM).toBeNull()
})

test('every town has three stations, the nearest within reach', () => {
  for (const town of towns) {
    expect(town.stations.length).toBeGreaterThanOrEqual(3)
    expect(stationsNear(town)[0]?.distanceM).toBeLessThan(25_000)
  }
})
