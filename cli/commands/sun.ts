import { type Command } from 'commander'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { deltaTSeconds, incidenceDeg, julianDayOf, sunAsSeen, sunEphemeris } from '@/core/sun/position'
import { sunDay } from '@/core/sun/rise-set'
import { type Question } from '../case-command'
import { addOptionCommand, numberField } from '../options'

const iso = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?(Z|[+-]\d{2}:?\d{2})$/

/** Unix milliseconds, the offset in minutes, and the offset as it was written. */
function parseTime(text: string): { ms: number; offsetMin: number; suffix: string } {
  const found = iso.exec(text)
  const ms = found ? Date.parse(text) : NaN
  if (!found || Number.isNaN(ms)) throw new Fault('bad-time', { reason: 'moment', text }, 'time')
  const suffix = found[7] ?? 'Z'
  const digits = suffix.replace(':', '')
  const offsetMin =
    suffix === 'Z'
      ? 0
      : Math.sign(Number(`${digits[0]}1`)) * (Number(digits.slice(1, 3)) * 60 + Number(digits.slice(3, 5)))
  return { ms, offsetMin, suffix: suffix === 'Z' ? 'Z' : `${digits.slice(0, 3)}:${digits.slice(3)}` }
}

const numbers = {
  lat: { low: -90, high: 90, placeholder: 'deg', says: 'latitude, north positive' },
  lon: { low: -180, high: 180, placeholder: 'deg', says: 'longitude, east positive' },
  elevation: { low: -500, high: 9000, placeholder: 'm', says: 'metres above sea level; 0 when not given' },
  pressure: {
    low: 0,
    high: 1100,
    placeholder: 'hpa',
    says: 'air pressure; by the elevation when not given',
  },
  temperature: { low: -90, high: 60, placeholder: 'c', says: 'air temperature; 12 when not given' },
  tilt: { low: 0, high: 180, placeholder: 'deg', says: 'tilt of a surface' },
  azimuth: {
    low: -360,
    high: 360,
    placeholder: 'deg',
    says: 'azimuth of the surface, clockwise from north',
  },
  deltaT: { low: -8000, high: 8000, placeholder: 's', says: 'TT - UT; from the year when not given' },
} as const

const schema = z.object({
  lat: numberField(numbers.lat),
  lon: numberField(numbers.lon),
  time: z.string(),
  elevation: numberField(numbers.elevation).default(0),
  pressure: numberField(numbers.pressure).optional(),
  temperature: numberField(numbers.temperature).default(12),
  tilt: numberField(numbers.tilt).optional(),
  azimuth: numberField(numbers.azimuth).optional(),
  deltaT: numberField(numbers.deltaT).optional(),
})

function answer(given: z.infer<typeof schema>): object {
  const { ms, offsetMin, suffix } = parseTime(given.time)
  const deltaT = given.deltaT ?? deltaTSeconds(1970 + ms / 31_556_952_000)
  const sun = sunEphemeris(julianDayOf(ms), deltaT)
  const seen = sunAsSeen(sun, {
    latitudeDeg: given.lat,
    longitudeDeg: given.lon,
    elevationM: given.elevation,
    temperatureC: given.temperature,
    ...(given.pressure === undefined ? {} : { pressureHpa: given.pressure }),
  })
  const local = new Date(ms + offsetMin * 60_000)
  const day = sunDay(
    Date.UTC(local.getUTCFullYear(), local.getUTCMonth(), local.getUTCDate()),
    given.lat,
    given.lon,
    offsetMin / 60,
    deltaT,
  )
  const written = (at: number | null) =>
    at === null
      ? null
      : new Date(Math.round((at + offsetMin * 60_000) / 1000) * 1000).toISOString().slice(0, 19) + suffix
  return {
    zenithDeg: seen.zenithDeg,
    azimuthDeg: seen.azimuthDeg,
    elevationDeg: seen.elevationDeg,
    declinationDeg: sun.declinationDeg,
    equationOfTimeMin: sun.equationOfTimeMin,
    sunrise: written(day.sunriseMs),
    transit: written(day.transitMs),
    sunset: written(day.sunsetMs),
    ...(given.tilt === undefined || given.azimuth === undefined
      ? {}
      : { incidenceDeg: incidenceDeg(seen, given.tilt, given.azimuth) }),
  }
}

const question: Question<z.infer<typeof schema>> = { schema, answer }

export function addSun(gable: Command): void {
  addOptionCommand(
    gable.command('sun').description('Where the sun stands, when it rises and sets'),
    question,
    { numbers, texts: { time: { placeholder: 'iso8601', says: 'moment with its offset' } } },
  )
}
