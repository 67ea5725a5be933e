import { clearSky } from '../sun/clear-sky'
import { extraterrestrialWm2 } from '../sun/perez'
import { sunHours } from '../sun/sun-hours'
import { seededRandom } from '../model/random'
import { type WeatherYear } from './weather-year'

/** Weather that tests write into files. */

export const place = {
  name: 'Ridge',
  latitudeDeg: 41.6,
  longitudeDeg: -71.4,
  elevationM: 18,
  timeZoneHours: -5,
}

/** A year of clear and hazy skies whose parts fit together. */
export function year(stepMinutes = 60): WeatherYear {
  const sun = sunHours(place, place.timeZoneHours, stepMinutes)
  const random = seededRandom(42)
  const series = () => new Float64Array(sun.intervals)
  const out = { ghi: series(), dni: series(), dhi: series(), temperatureC: series(), windMs: series() }
  const perDay = 1440 / stepMinutes
  sun.interval.forEach((i, k) => {
    const zenith = sun.zenithDeg[k] ?? 90
    const up = sun.upShare[k] ?? 1
    const clear = clearSky(zenith, 18, 3, extraterrestrialWm2(Math.floor(i / perDay) + 1))
    const haze = random() < 0.4 ? 0.3 : 1
    const round = (v: number) => Math.round(v * 10) / 10
    const dni = round(clear.dni * haze * up)
    const dhi = round((clear.ghi * up - clear.dni * up * Math.cos((zenith * Math.PI) / 180)) * 1.2)
    out.dni[i] = dni
    out.dhi[i] = dhi
    out.ghi[i] = round(dni * Math.cos((zenith * Math.PI) / 180) + dhi)
  })
  out.temperatureC.forEach((_, i) => (out.temperatureC[i] = 10 + Math.round(80 * Math.sin(i / 900)) / 10))
  out.windMs.fill(2.5)
  return { ...place, stepMinutes, ...out, albedo: null, snowDepthM: null }
}

export const good = year()

/** A table of the good year made by hand. */
export function table(
  options: {
    separator?: string
    decimal?: string
    heading?: string[]
    stamp?: (at: Date, i: number) => string
    row?: (i: number) => (number | string)[]
    from?: number
    days?: number
    preamble?: string[]
  } = {},
): string {
  const { separator = ',', decimal = '.', preamble = [] } = options
  const heading = options.heading ?? ['time', 'GHI (W/m2)', 'T (°C)', 'Wind speed (m/s)']
  const stamp = options.stamp ?? ((at: Date) => at.toISOString().slice(0, 16))
  const row =
    options.row ?? ((i: number) => [good.ghi[i] ?? 0, good.temperatureC[i] ?? 0, good.windMs[i] ?? 0])
  const start = options.from ?? Date.UTC(2023, 0, 1)
  const lines = [...preamble, heading.join(separator)]
  const write = (cell: number | string) => String(cell).replace('.', decimal)
  for (let i = 0; i < (options.days ?? 365) * 24; i++)
    lines.push([stamp(new Date(start + i * 3_600_000), i), ...row(i % 8760).map(write)].join(separator))
  return `${lines.join('\n')}\n`
}

export const bytes = (text: string) => new TextEncoder().encode(text)
