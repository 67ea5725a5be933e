import { snowCover, snowLoss } from './snow-cover'
import { type SunHours } from '../sun/sun-hours'
import { type Tracker } from '../sun/tracker'
import { type WeatherYear } from '../weather/weather-year'
import { type PlaneLight } from './plane-light'

/** The tilt that snow slides on: a plane that turns stands, day in day out, about half as steep as it can. */
export const slideTiltDeg = (tracker: Tracker | null, pitchDeg: number) =>
  tracker ? tracker.limitDeg / 2 : pitchDeg

/**
 * Share of its output that an array loses to lying snow, one an interval; null where the weather knows nothing of snow.
 * @param rows groups of cells above each other along the slope
 */
export function snowOnPlane(
  light: PlaneLight,
  weather: WeatherYear,
  sun: SunHours,
  tiltDeg: number,
  rows: number,
): Float32Array | null {
  if (!weather.snowDepthM) return null
  const plane = new Float64Array(sun.intervals)
  sun.interval.forEach((i, k) => {
    plane[i] = (light.beam[k] as number) + (light.sky[k] as number) + (light.groundReflected[k] as number)
  })
  const cover = snowCover(weather.snowDepthM, plane, weather.temperatureC, tiltDeg, sun.stepMinutes)
  return cover.map((share) => snowLoss(share, rows))
}
