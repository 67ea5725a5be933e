import { type Vec3 } from '../geometry/vector'
import { toDegrees } from '../model/units'
import { beamThrough, diffuseThrough } from '../sun/incidence-loss'
import { type SkyYear } from '../weather/sky-year'
import { type WeatherYear } from '../weather/weather-year'

/** A year of light on a plane without shade, W/m², one entry to each of `SunHours`. */
export interface PlaneLight {
  /** What meets the plane, by where it comes from. */
  readonly beam: Float64Array
  readonly sky: Float64Array
  readonly groundReflected: Float64Array
  /** What passes the glass: around the sun, from the dome, from the horizon's band, from the ground. */
  readonly direct: Float64Array
  readonly dome: Float64Array
  readonly horizon: Float64Array
  readonly ground: Float64Array
  /** Yearly sums of what meets the plane, kWh/m². */
  readonly parts: { readonly beam: number; readonly sky: number; readonly ground: number }
}

/** Which way a plane faces: always the same, or three numbers (east, north, up) to each entry of `SunHours`. */
export type Facing = Vec3 | Float64Array

/** What lies around: shares of light reflected in each month, and more where snow lies. */
export interface GroundCover {
  readonly albedoByMonth: readonly number[]
}

/** Snow deep enough to hide the ground, m, and what it reflects: between the 0.40 of old and the 0.95 of fresh snow (Oke 1987, table 1.1). */
const hidingM = 0.02
export const snowAlbedo = 0.65

/** What the ground reflects in an interval. */
function albedoAt(weather: WeatherYear, ground: GroundCover, month: number, i: number): number {
  if (weather.albedo) return weather.albedo[i] as number
  const usual = ground.albedoByMonth[month] ?? 0.2
  return weather.snowDepthM && (weather.snowDepthM[i] as number) >= hidingM
    ? Math.max(snowAlbedo, usual)
    : usual
}

/** @param facing upward unit normal of the plane, or one to each entry */
export function planeLight(sky: SkyYear, facing: Facing, groundCover: GroundCover): PlaneLight {
  const { weather, sun } = sky
  const entries = sun.interval.length
  const out = {
    beam: new Float64Array(entries),
    sky: new Float64Array(entries),
    groundReflected: new Float64Array(entries),
    direct: new Float64Array(entries),
    dome: new Float64Array(entries),
    horizon: new Float64Array(entries),
    ground: new Float64Array(entries),
  }
  const moving = facing instanceof Float64Array
  let [east, north, up] = moving ? [0, 0, 1] : facing
  let sinTilt = Math.sqrt(Math.max(0, 1 - up * up))
  let pass = diffuseThrough(tiltOf(up))
  let [beamSum, skySum, groundSum] = [0, 0, 0]
  for (let k = 0; k < entries; k++) {
    const i = sun.interval[k] as number
    if (moving) {
      east = facing[k * 3] as number
      north = facing[k * 3 + 1] as number
      up = facing[k * 3 + 2] as number
      sinTilt = Math.sqrt(Math.max(0, 1 - up * up))
      pass = diffuseThrough(tiltOf(up))
    }
    const sunUp = sun.direction[k * 3 + 2] as number
    const cosine = Math.max(
      0,
      east * (sun.direction[k * 3] as number) + north * (sun.direction[k * 3 + 1] as number) + up * sunUp,
    )
    // As `skyOnPlane`, with the tilt's functions at hand.
    const dhi = weather.dhi[i] as number
    const f1 = sky.f1[k] as number
    const circumsolar = (dhi * f1 * cosine) / Math.max(sky.floor, sunUp)
    const dome = (dhi * (1 - f1) * (1 + up)) / 2
    const horizon = Math.max(dhi * (sky.f2[k] as number) * sinTilt, -(circumsolar + dome))
    const beam = (weather.dni[i] as number) * cosine
    const ground =
      ((weather.ghi[i] as number) * albedoAt(weather, groundCover, sun.month[k] as number, i) * (1 - up)) / 2
    const fromSky = circumsolar + dome + horizon
    out.beam[k] = beam
    out.sky[k] = fromSky
    out.groundReflected[k] = ground
    out.direct[k] = (beam + circumsolar) * beamThrough(cosine)
    out.dome[k] = dome * pass.sky
    out.horizon[k] = horizon * pass.sky
    out.ground[k] = ground * pass.ground
    beamSum += beam
    skySum += fromSky
    groundSum += ground
  }
  const kwh = sun.stepMinutes / 60_000
  return { ...out, parts: { beam: beamSum * kwh, sky: skySum * kwh, ground: groundSum * kwh } }
}

const tiltOf = (up: number) => toDegrees(Math.acos(Math.max(-1, Math.min(1, up))))

/** Memory that a plane's year takes. */
export const planeLightBytes = ({ beam }: PlaneLight): number => 400 + 7 * beam.byteLength
