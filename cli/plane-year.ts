import { yearStartMs } from '@/core/model/model-year'
import { planeLight, type Facing } from '@/core/energy/plane-light'
import { sunHours } from '@/core/sun/sun-hours'
import { normalOf } from '@/core/sun/tracker'
import { skyYear, type SkyModel } from '@/core/weather/sky-year'
import { type WeatherYear } from '@/core/weather/weather-year'

export const sunOf = (weather: WeatherYear) => sunHours(weather, weather.timeZoneHours, weather.stepMinutes)
type Sun = ReturnType<typeof sunOf>

const everyMonth = (albedo: number) => ({ albedoByMonth: new Array<number>(12).fill(albedo) })

export const lightFacing = (
  weather: WeatherYear,
  sun: Sun,
  facing: Facing,
  albedo: number,
  model: SkyModel = 'perez',
) => planeLight(skyYear(weather, sun, model), facing, everyMonth(albedo))

export const lightOn = (
  weather: WeatherYear,
  sun: Sun,
  tiltDeg: number,
  azimuthDeg: number,
  albedo: number,
  model: SkyModel,
) => lightFacing(weather, sun, normalOf(tiltDeg, azimuthDeg), albedo, model)

/** The beginning of every interval of a year of weather, ISO 8601 with the standard time's offset. */
export const intervalTimes = ({ timeZoneHours, stepMinutes, ghi }: WeatherYear): string[] =>
  timesOf(timeZoneHours, stepMinutes, ghi.length)

/** The beginning of every interval of a year. */
export function timesOf(
  timeZoneHours: number,
  stepMinutes: number,
  intervals: number,
  year?: number,
): string[] {
  const start = yearStartMs(timeZoneHours, year)
  const minutes = Math.round(timeZoneHours * 60)
  const two = (value: number) => String(value).padStart(2, '0')
  const offset = `${minutes < 0 ? '-' : '+'}${two(Math.floor(Math.abs(minutes) / 60))}:${two(Math.abs(minutes) % 60)}`
  return Array.from({ length: intervals }, (_, i) => {
    const local = new Date(start + i * stepMinutes * 60_000 + minutes * 60_000)
    return `${local.toISOString().slice(0, 16)}${offset}`
  })
}
