import { toRadians } from '../model/units'
import { roofSnowKpa } from './snow'
import {
  coefficientsOf,
  meanWindMs,
  peakPressureKpa,
  type Terrain,
  type WindMean,
  type WindZone,
} from './wind'

/** Loads and ground of a place as the job has them. */
export interface Exposure {
  readonly windMs: number
  readonly windMean: WindMean
  readonly terrain: Terrain
  /** Of the ground, kN/m². */
  readonly snowLoadKpa: number
}

/** Partial factors and what of a second load goes with the first: EN 1990:2002, tables A1.1 and A1.2(B). */
const factors = { dead: 1.35, holding: 0.9, load: 1.5, windWithSnow: 0.6, snowWithWind: 0.5 } as const
export const { holding: holdingFactor, load: loadFactor } = factors

/** Newtons in a kilogram's weight, in thousands. */
export const knPerKg = 0.00981

/** The wind's peak velocity pressure at a height, kN/m². */
export const windAt = ({ windMs, windMean, terrain }: Exposure, heightM: number): number =>
  peakPressureKpa(meanWindMs(windMs, windMean), terrain, heightM)

/** Design pressures across modules that lie flush on a roof, kN/m² of module; neither is under 0. */
export interface Pressures {
  readonly upKpa: number
  readonly downKpa: number
}

/**
 * What pulls at modules of one zone, and what presses on them.
 * @param windKpa peak velocity pressure
 * @param deadKpa weight of modules and rails, kN/m² of module
 */
export function pressuresOn(
  zone: WindZone,
  pitchDeg: number,
  windKpa: number,
  snowLoadKpa: number,
  deadKpa: number,
): Pressures {
  const cos = Math.cos(toRadians(pitchDeg))
  const { up, down } = coefficientsOf(zone, pitchDeg)
  const { dead, holding, load, windWithSnow, snowWithWind } = factors
  // Snow is counted by the plan: once for the narrower plan of a steep module, once for the part across it.
  const snow = roofSnowKpa(snowLoadKpa, pitchDeg) * cos * cos
  const wind = windKpa * down
  return {
    upKpa: Math.max(0, load * windKpa * up - holding * deadKpa * cos),
    downKpa: dead * deadKpa * cos + load * Math.max(snow + windWithSnow * wind, wind + snowWithWind * snow),
  }
}
