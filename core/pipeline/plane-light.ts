import { type Vec3 } from '../geometry/vector'
import { toDegrees } from '../model/units'
import { hayDaviesSky } from '../sun/hay-davies'
import { beamThrough, diffuseThrough } from '../sun/incidence-loss'
import { extraterrestrialWm2, perezSky } from '../sun/perez'
import { type SunHours } from '../sun/sun-hours'
import { type WeatherYear } from '../weather/weather-year'

/** A year of light on a plane without shade, W/m², one entry to each of `SunHours`. */
export interface PlaneLight {
  /** What meets the plane, by where it comes from. */
  readonly beam: Float64Array
  readonly sky: Float64Array
  readonly groundward: Float64Array
  /** What passes the glass: around the sun, from the dome, from the horizon's band, from the ground. */
  readonly direct: Float64Array
  readonly dome: Float64Array
  readonly horizon: Float64Array
  readonly ground: Float64Array
  /** Yearly sums of what meets the plane, kWh/m². */
  readonly parts: { readonly beam: number; readonly sky: number; readonly ground: number }
}

export type SkyModel = 'perez' | 'hay-davies'

/** Which way a plane faces: always the same, or three numbers (east, north, up) to each entry of `SunHours`. */
export type Facing = Vec3 | Float64Array

/** What lies around: shares of light reflected in each month, and more where snow lies. */
export interface GroundCover {
  readonly albedoByMonth: readonly number[]
}

/** Snow deep enough to hide the ground, m, and what it reflects: between the 0.40 of old and the 0.95 of fresh snow (Oke 1987, table 1.1). */
const hidingM = 0.02
const snowAlbedo = 0.65

/** What the ground reflects in an interval. */
function albedoAt(weather: WeatherYear, ground: GroundCover, month: number, i: number): number {
  if (weather.albedo) return weather.albedo[i] as number
  const usual = ground.albedoByMonth[month] ?? 0.2
  return weather.snowDepthM && (weather.snowDepthM[i] as number) >= hidingM
    ? Math.max(snowAlbedo, usual)
    : usual
}

/** @param facing upward unit normal of the plane, or one to each entry */
export function planeLight(
  weather: WeatherYear,
  sun: SunHours,
  facing: Facing,
  groundCover: GroundCover,
  model: SkyModel,
): PlaneLight {
  const entries = sun.interval.length
  const series = () => new Float64Array(entries)
  const out = {
    beam: series(),
    sky: series(),
    groundward: series(),
    direct: series(),
    dome: series(),
    horizon: series(),
    ground: series(),
  }
  const moving = facing instanceof Float64Array
  let [east, north, up] = moving ? [0, 0, 1] : facing
  let tiltDeg = tiltOf(up)
  let pass = diffuseThrough(tiltDeg)
  const skyOf = model === 'perez' ? perezSky : hayDaviesSky
  const perDay = 1440 / sun.stepMinutes
  let day = -1
  let extra = 0
  const sums = { beam: 0, sky: 0, ground: 0 }
  for (let k = 0; k < entries; k++) {
    const i = sun.interval[k] as number
    if (moving) {
      east = facing[k * 3] as number
      north = facing[k * 3 + 1] as number
      up = facing[k * 3 + 2] as number
      tiltDeg = tiltOf(up)
      pass = diffuseThrough(tiltDeg)
    }
    const cosine = Math.max(
      0,
      east * (sun.direction[k * 3] as number) +
        north * (sun.direction[k * 3 + 1] as number) +
        up * (sun.direction[k * 3 + 2] as number),
    )
    const today = Math.floor(i / perDay)
    if (today !== day) {
      day = today
      extra = extraterrestrialWm2(day + 1)
    }
    const dni = weather.dni[i] as number
    // In the intervals of sunrise and sunset the means stand for the share in which the sun was up.
    const upShare = sun.upShare[k] as number
    const sky = skyOf(
      (weather.dhi[i] as number) / upShare,
      dni / upShare,
      sun.zenithDeg[k] as number,
      cosine,
      tiltDeg,
      extra,
    )
    const beam = dni * cosine
    const circumsolar = sky.circumsolar * upShare
    const dome = sky.dome * upShare
    const horizon = sky.horizon * upShare
    const ground =
      ((weather.ghi[i] as number) * albedoAt(weather, groundCover, sun.month[k] as number, i) * (1 - up)) / 2
    const through = beamThrough(cosine)
    const fromSky = circumsolar + dome + horizon
    out.beam[k] = beam
    out.sky[k] = fromSky
    out.groundward[k] = ground
    out.direct[k] = (beam + circumsolar) * through
    out.dome[k] = dome * pass.sky
    out.horizon[k] = horizon * pass.sky
    out.ground[k] = ground * pass.ground
    sums.beam += beam
    sums.sky += fromSky
    sums.ground += ground
  }
  const kwh = sun.stepMinutes / 60_000
  return { ...out, parts: { beam: sums.beam * kwh, sky: sums.sky * kwh, ground: sums.ground * kwh } }
}

const tiltOf = (up: number) => toDegrees(Math.acos(Math.max(-1, Math.min(1, up))))
