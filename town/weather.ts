import { seededRandom, seedOf } from '@/core/model/random'
import { monthOfDay } from '@/core/shade/sun-hours'
import { clearSky } from '@/core/sun/clear-sky'
import { erbsSplit } from '@/core/sun/erbs'
import { extraterrestrialWm2 } from '@/core/sun/perez'
import { sunPosition } from '@/core/sun/position'
import { yearStartMs, type WeatherYear } from '@/core/weather/weather-year'
import { type Town, type TownStation } from './towns'

/** How much of today's sky carries over to tomorrow, and of this hour's to the next. */
const dayPersistence = 0.55
const hourPersistence = 0.75
/** Linke turbidity of a clear day: lightly hazy. */
const linke = 3

/**
 * A typical year of a made-up station: a clear-sky index with persistence from day to day and hour to hour, scaled so
 * that every month meets its normal; temperature and wind follow the sky. The same seed gives the same year.
 */
export function stationYear(town: Town, station: TownStation): WeatherYear {
  const random = seededRandom(seedOf(station.id))
  const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const start = yearStartMs(town.timeZoneHours)
  const series = () => new Float64Array(8760)
  const [ghi, dni, dhi, temperatureC, windMs, index, clear, zenith] = [
    series(),
    series(),
    series(),
    series(),
    series(),
    series(),
    series(),
    series(),
  ] as const
  let dayState = 0
  let hourState = 0
  let airState = 0
  for (let day = 0; day < 365; day++) {
    dayState = dayPersistence * dayState + Math.sqrt(1 - dayPersistence ** 2) * gauss()
    for (let hour = 0; hour < 24; hour++) {
      const i = day * 24 + hour
      hourState = hourPersistence * hourState + Math.sqrt(1 - hourPersistence ** 2) * gauss()
      // Days crowd at the clear and the overcast end: a steep curve through the state.
      index[i] = 0.12 + 0.88 / (1 + Math.exp(-2.2 * (dayState + 0.45 * hourState) - 0.6))
      const sun = sunPosition(start + (i + 0.5) * 3_600_000, {
        latitudeDeg: station.latitudeDeg,
        longitudeDeg: station.longitudeDeg,
      })
      zenith[i] = sun.zenithDeg
      clear[i] = clearSky(sun.zenithDeg, station.elevationM, linke, extraterrestrialWm2(day + 1)).ghi
    }
  }
  meetNormals(station, index, clear)
  for (let i = 0; i < 8760; i++) {
    const day = Math.floor(i / 24)
    const value = (index[i] as number) * (clear[i] as number)
    const split = erbsSplit(value, zenith[i] as number, extraterrestrialWm2(day + 1))
    ghi[i] = value
    dni[i] = split.dni
    dhi[i] = split.dhi
    const month = monthOfDay(day)
    const brightness = (index[i] as number) - 0.6
    airState = 0.985 * airState + 0.6 * gauss()
    // Warmest in mid-afternoon; clear days swing more.
    const swing = 3.2 + 4 * Math.max(0, brightness + 0.3)
    temperatureC[i] =
      (station.meanC[month] ?? 10) +
      swing * Math.cos((2 * Math.PI * ((i % 24) - 15)) / 24) +
      0.8 * airState +
      2.5 * brightness
    windMs[i] = Math.max(
      0.2,
      station.windMs *
        (0.75 +
          0.35 * Math.abs(gauss()) +
          0.25 * Math.cos((2 * Math.PI * ((i % 24) - 14)) / 24) -
          0.3 * brightness),
    )
  }
  return {
    name: station.name,
    latitudeDeg: station.latitudeDeg,
    longitudeDeg: station.longitudeDeg,
    elevationM: station.elevationM,
    timeZoneHours: town.timeZoneHours,
    stepMinutes: 60,
    ghi,
    dni,
    dhi,
    temperatureC,
    windMs,
  }
}

/** Raises or lowers the clear-sky index of each month, within 0.05 to 1.08, until the month's sum is its normal. */
function meetNormals(station: TownStation, index: Float64Array, clear: Float64Array): void {
  for (let month = 0; month < 12; month++) {
    const hours = Array.from(index.keys()).filter((i) => monthOfDay(Math.floor(i / 24)) === month)
    const wanted = (station.dailyKwhM2[month] ?? 0) * 1000 * (hours.length / 24)
    const bend = (power: number, i: number) => Math.min(1.08, Math.max(0.05, (index[i] as number) ** power))
    let [low, high] = [0.05, 8]
    for (let step = 0; step < 50; step++) {
      const power = (low + high) / 2
      const sum = hours.reduce((s, i) => s + bend(power, i) * (clear[i] as number), 0)
      if (sum > wanted) low = power
      else high = power
    }
    const power = (low + high) / 2
    for (const i of hours) index[i] = bend(power, i)
  }
}
