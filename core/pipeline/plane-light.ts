import { dot3, type Vec3 } from '../geometry/vector'
import { toDegrees, toRadians } from '../model/units'
import { type SunHours } from '../sun/sun-hours'
import { hayDaviesSky } from '../sun/hay-davies'
import { beamThrough, diffuseThrough } from '../sun/incidence-loss'
import { extraterrestrialWm2, perezSky } from '../sun/perez'
import { type WeatherYear } from '../weather/weather-year'

/** A year of light on a plane without shade, W/m², one entry to each of `SunHours`. */
export interface PlaneLight {
  /** What meets the glass: all parts together. */
  readonly incident: Float64Array
  /** What passes the glass, by where it comes from. */
  readonly direct: Float64Array
  readonly dome: Float64Array
  readonly horizon: Float64Array
  readonly ground: Float64Array
  /** Yearly sums of what meets the plane, kWh/m². */
  readonly parts: { readonly beam: number; readonly sky: number; readonly ground: number }
}

export type SkyModel = 'perez' | 'hay-davies'

/** @param normal upward unit normal of the plane */
export function planeLight(
  weather: WeatherYear,
  sun: SunHours,
  normal: Vec3,
  albedo: number,
  model: SkyModel,
): PlaneLight {
  const entries = sun.interval.length
  const series = () => new Float64Array(entries)
  const out = { incident: series(), direct: series(), dome: series(), horizon: series(), ground: series() }
  const tiltDeg = toDegrees(Math.acos(Math.max(-1, Math.min(1, normal[2]))))
  const pass = diffuseThrough(tiltDeg)
  const groundView = (1 - Math.cos(toRadians(tiltDeg))) / 2
  const skyOf = model === 'perez' ? perezSky : hayDaviesSky
  const sums = { beam: 0, sky: 0, ground: 0 }
  for (let k = 0; k < entries; k++) {
    const i = sun.interval[k] as number
    const d: Vec3 = [
      sun.direction[k * 3] as number,
      sun.direction[k * 3 + 1] as number,
      sun.direction[k * 3 + 2] as number,
    ]
    const cosine = Math.max(0, dot3(normal, d))
    const zenith = sun.zenithDeg[k] as number
    const dni = weather.dni[i] as number
    const day = Math.floor((i * sun.stepMinutes) / 1440) + 1
    const sky = skyOf(weather.dhi[i] as number, dni, zenith, cosine, tiltDeg, extraterrestrialWm2(day))
    const beam = dni * cosine
    const ground = (weather.ghi[i] as number) * albedo * groundView
    const through = beamThrough(cosine)
    out.incident[k] = beam + sky.circumsolar + sky.dome + sky.horizon + ground
    out.direct[k] = (beam + sky.circumsolar) * through
    out.dome[k] = sky.dome * pass.sky
    out.horizon[k] = sky.horizon * pass.sky
    out.ground[k] = ground * pass.ground
    sums.beam += beam
    sums.sky += sky.circumsolar + sky.dome + sky.horizon
    sums.ground += ground
  }
  const kwh = sun.stepMinutes / 60_000
  return { ...out, parts: { beam: sums.beam * kwh, sky: sums.sky * kwh, ground: sums.ground * kwh } }
}
