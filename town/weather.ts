import { monthOfDay } from '@/core/model/model-year'
import { gaussian, seededRandom, seedOf } from '@/core/model/random'
import { toRadians } from '@/core/model/units'
import { clearSky } from '@/core/sun/clear-sky'
import { erbsSplit } from '@/core/sun/erbs'
import { extraterrestrialWm2 } from '@/core/sun/perez'
import { sunHours } from '@/core/sun/sun-hours'
import { type WeatherYear } from '@/core/weather/weather-year'
import { snowOnGround } from './snow'
import { type Town, type TownStation } from './towns'

/** How much of today's sky carries over to tomorrow, and of this hour's to the next. */
const dayPersistence = 0.55
const hourPersistence = 0.75
/** How much of the sky's spread is within a day. */
const hourShare = 0.3
/** Linke turbidity of a clear day: lightly hazy. */
const linke = 3
/** How much single years and single months of them differ from the normals: standard deviations. */
const yearSpread = 0.026
const monthSpread = 0.075
const yearSpreadC = 0.5
const monthSpreadC = 1.1

/** Years on record at every station. */
export const recordYears = Array.from({ length: 15 }, (_, k) => 2010 + k)

/** Years since then: what the weather was while systems that were built are running. */
export const laterYears = [2025, 2026] as const

const hours = 8760

/** A station's typical year: every month meets its normal. The same seed gives the same year. */
export function stationYear(town: Town, station: TownStation): WeatherYear {
  return weatherOf(town, station, station.id, station.dailyKwhM2, station.meanC)
}

/** What the months of a year on record were: they differ from the normals as those of real years do. */
export function recordMonths(
  station: TownStation,
  year: number,
): { readonly dailyKwhM2: readonly number[]; readonly meanC: readonly number[] } {
  const gauss = gaussian(seededRandom(seedOf(`${station.id} ${year} months`)))
  const [whole, wholeC] = [gauss() * yearSpread, gauss() * yearSpreadC]
  return {
    dailyKwhM2: station.dailyKwhM2.map((kwh) => kwh * (1 + whole + gauss() * monthSpread)),
    meanC: station.meanC.map((c) => c + wholeC + gauss() * monthSpreadC),
  }
}

/** One of the years on record, hour by hour. */
export function stationRecordYear(town: Town, station: TownStation, year: number): WeatherYear {
  const { dailyKwhM2, meanC } = recordMonths(station, year)
  return weatherOf(town, station, `${station.id} ${year}`, dailyKwhM2, meanC)
}

function weatherOf(
  town: Town,
  station: TownStation,
  seed: string,
  dailyKwhM2: readonly number[],
  meanC: readonly number[],
): WeatherYear {
  const random = seededRandom(seedOf(seed))
  const gauss = gaussian(random)
  const sky = skyOver(town, station)
  const index = indexMeeting(dailyKwhM2, skyStates(gauss), sky.clear)
  const series = () => new Float64Array(hours)
  const out = { ghi: series(), dni: series(), dhi: series(), temperatureC: series(), windMs: series() }
  let airState = 0
  for (let i = 0; i < hours; i++) {
    const day = Math.floor(i / 24)
    const clearness = index[i] as number
    const value = clearness * (sky.clear[i] as number)
    const up = sky.upShare[i] as number
    const split =
      up > 0
        ? erbsSplit(value / up, sky.zenith[i] as number, extraterrestrialWm2(day + 1))
        : { dni: 0, dhi: 0 }
    out.ghi[i] = value
    // Beam from closure, so that the three fit to the last digit.
    out.dni[i] = split.dni * up
    out.dhi[i] = value - split.dni * up * Math.max(0, Math.cos(toRadians(sky.zenith[i] as number)))
    const brightness = clearness - 0.6
    airState = 0.985 * airState + 0.6 * gauss()
    // Warmest in mid-afternoon; clear days swing more.
    const swing = 3.2 + 4 * Math.max(0, brightness + 0.3)
    out.temperatureC[i] =
      (meanC[monthOfDay(day)] ?? 10) +
      swing * Math.cos((2 * Math.PI * ((i % 24) - 15)) / 24) +
      0.8 * airState +
      2.5 * brightness
    out.windMs[i] = Math.max(
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
    ...out,
    albedo: null,
    snowDepthM: snowOnGround(out.temperatureC, index, random),
  }
}

/** Standard normal states of the sky, hour by hour, with persistence from day to day and from hour to hour. */
function skyStates(gauss: () => number): Float64Array {
  const states = new Float64Array(hours)
  let dayState = 0
  let hourState = 0
  for (let i = 0; i < hours; i++) {
    if (i % 24 === 0) dayState = dayPersistence * dayState + Math.sqrt(1 - dayPersistence ** 2) * gauss()
    hourState = hourPersistence * hourState + Math.sqrt(1 - hourPersistence ** 2) * gauss()
    states[i] = Math.sqrt(1 - hourShare) * dayState + Math.sqrt(hourShare) * hourState
  }
  return states
}

/**
 * Clear-sky index by the share of hours that are darker: crowded at the clear end, a long tail of overcast, as pyranometers
 * record it in temperate places.
 */
const darkerHours = [0, 0.1, 0.25, 0.4, 0.55, 0.65, 0.8, 1]
const indexThere = [0.06, 0.18, 0.38, 0.62, 0.85, 0.95, 1, 1.06]

function indexOf(state: number): number {
  // The normal distribution by its logistic neighbour.
  const share = 1 / (1 + Math.exp(-1.702 * state))
  let k = 1
  while (k < darkerHours.length - 1 && share > (darkerHours[k] as number)) k++
  const [a, b] = [darkerHours[k - 1] as number, darkerHours[k] as number]
  const [low, high] = [indexThere[k - 1] as number, indexThere[k] as number]
  return low + ((high - low) * (share - a)) / (b - a)
}

interface SkyOver {
  readonly clear: Float64Array
  readonly zenith: Float64Array
  readonly upShare: Float64Array
}

const skies = new Map<string, SkyOver>()

/** Sun and clear sky of a station's hours; the same for all its years. */
function skyOver(town: Town, station: TownStation): SkyOver {
  const known = skies.get(station.id)
  if (known) return known
  const sun = sunHours(station, town.timeZoneHours, 60)
  const sky = {
    clear: new Float64Array(hours),
    zenith: new Float64Array(hours).fill(95),
    upShare: new Float64Array(hours),
  }
  sun.interval.forEach((i, k) => {
    const zenith = sun.zenithDeg[k] as number
    const up = sun.upShare[k] as number
    const extra = extraterrestrialWm2(Math.floor(i / 24) + 1)
    sky.zenith[i] = zenith
    sky.upShare[i] = up
    sky.clear[i] = clearSky(zenith, station.elevationM, linke, extra).ghi * up
  })
  skies.set(station.id, sky)
  return sky
}

/** Clears or clouds the sky of each month until its sum is its normal. */
function indexMeeting(
  dailyKwhM2: readonly number[],
  states: Float64Array,
  clear: Float64Array,
): Float64Array {
  const index = new Float64Array(hours)
  const byMonth = Array.from({ length: 12 }, (): number[] => [])
  for (let i = 0; i < hours; i++) byMonth[monthOfDay(Math.floor(i / 24))]?.push(i)
  byMonth.forEach((ofMonth, month) => {
    const daylight = ofMonth.filter((i) => (clear[i] as number) > 0)
    const wanted = (dailyKwhM2[month] ?? 0) * 1000 * (ofMonth.length / 24)
    let [low, high] = [-6, 6]
    for (let step = 0; step < 24; step++) {
      const shift = (low + high) / 2
      let sum = 0
      for (const i of daylight) sum += indexOf((states[i] as number) + shift) * (clear[i] as number)
      if (sum < wanted) low = shift
      else high = shift
    }
    for (const i of ofMonth) index[i] = indexOf((states[i] as number) + (low + high) / 2)
  })
  return index
}
