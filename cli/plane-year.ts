import { toRadians } from '@/core/model/units'
import { type Vec3 } from '@/core/geometry/vector'
import { planeLight, type SkyModel } from '@/core/pipeline/plane-light'
import { sunHours } from '@/core/sun/sun-hours'
import { type WeatherYear } from '@/core/weather/weather-year'

/** Upward normal of a plane: tilt from the horizontal, azimuth clockwise from north. */
export function normalOf(tiltDeg: number, azimuthDeg: number): Vec3 {
  const [t, a] = [toRadians(tiltDeg), toRadians(azimuthDeg)]
  return [Math.sin(t) * Math.sin(a), Math.sin(t) * Math.cos(a), Math.cos(t)]
}

export const sunOf = (weather: WeatherYear) => sunHours(weather, weather.timeZoneHours, weather.stepMinutes)

export const lightOn = (
  weather: WeatherYear,
  sun: ReturnType<typeof sunOf>,
  tiltDeg: number,
  azimuthDeg: number,
  albedo: number,
  model: SkyModel,
) => planeLight(weather, sun, normalOf(tiltDeg, azimuthDeg), albedo, model)
