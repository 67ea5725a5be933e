import { type Command } from 'commander'
import { Fault } from '@/core/model/fault'
import { deltaTSeconds, incidenceDeg, julianDayOf, sunAsSeen, sunEphemeris } from '@/core/sun/position'
import { sunDay } from '@/core/sun/rise-set'
import { number, print } from '../files'

interface Options {
  readonly lat: number
  readonly lon: number
  readonly time: string
  readonly elevation: number
  readonly pressure?: number
  readonly temperature: number
  readonly tilt?: number
  readonly azimuth?: number
  readonly deltaT?: number
}

const iso = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?(Z|[+-]\d{2}:?\d{2})$/

/** Unix milliseconds, the offset in minutes, and the offset as it was written. */
function parseTime(text: string): { ms: number; offsetMin: number; suffix: string } {
  const found = iso.exec(text)
  const ms = found ? Date.parse(text) : NaN
  if (!found || Number.isNaN(ms))
    throw new Fault(
      'bad-time',
      `--time is "${text}"; ISO 8601 with an offset was expected, such as 2024-06-21T12:00:00-04:00.`,
      'time',
    )
  const suffix = found[7] ?? 'Z'
  const digits = suffix.replace(':', '')
  const offsetMin =
    suffix === 'Z'
      ? 0
      : Math.sign(Number(`${digits[0]}1`)) * (Number(digits.slice(1, 3)) * 60 + Number(digits.slice(3, 5)))
  return { ms, offsetMin, suffix: suffix === 'Z' ? 'Z' : `${digits.slice(0, 3)}:${digits.slice(3)}` }
}

export function addSun(gable: Command): void {
  gable
    .command('sun')
    .description('Where the sun stands, when it rises and sets')
    .requiredOption('--lat <deg>', 'latitude, north positive', number('lat', -90, 90))
    .requiredOption('--lon <deg>', 'longitude, east positive', number('lon', -180, 180))
    .requiredOption('--time <iso8601>', 'moment with its offset')
    .option('--elevation <m>', 'metres over the sea', number('elevation', -500, 9000), 0)
    .option('--pressure <hpa>', 'air pressure; by the elevation when not given', number('pressure', 0, 1100))
    .option('--temperature <c>', 'air temperature', number('temperature', -90, 60), 12)
    .option('--tilt <deg>', 'tilt of a surface', number('tilt', 0, 180))
    .option('--azimuth <deg>', 'azimuth of the surface, clockwise from north', number('azimuth', -360, 360))
    .option('--delta-t <s>', 'TT - UT; from the year when not given', number('delta-t', -8000, 8000))
    .action((options: Options) => {
      const { ms, offsetMin, suffix } = parseTime(options.time)
      const deltaT = options.deltaT ?? deltaTSeconds(1970 + ms / 31_556_952_000)
      const sun = sunEphemeris(julianDayOf(ms), deltaT)
      const seen = sunAsSeen(sun, {
        latitudeDeg: options.lat,
        longitudeDeg: options.lon,
        elevationM: options.elevation,
        temperatureC: options.temperature,
        ...(options.pressure === undefined ? {} : { pressureHpa: options.pressure }),
      })
      const local = new Date(ms + offsetMin * 60_000)
      const day = sunDay(
        Date.UTC(local.getUTCFullYear(), local.getUTCMonth(), local.getUTCDate()),
        options.lat,
        options.lon,
        offsetMin / 60,
        deltaT,
      )
      const written = (at: number | null) =>
        at === null
          ? null
          : new Date(Math.round((at + offsetMin * 60_000) / 1000) * 1000).toISOString().slice(0, 19) + suffix
      print({
        zenithDeg: seen.zenithDeg,
        azimuthDeg: seen.azimuthDeg,
        elevationDeg: seen.elevationDeg,
        declinationDeg: sun.declinationDeg,
        equationOfTimeMin: sun.equationOfTimeMin,
        sunrise: written(day.sunriseMs),
        transit: written(day.transitMs),
        sunset: written(day.sunsetMs),
        ...(options.tilt === undefined || options.azimuth === undefined
          ? {}
          : { incidenceDeg: incidenceDeg(seen, options.tilt, options.azimuth) }),
      })
    })
}
