import { toRadians } from '../model/units'
import { skyOnPlane, type SkyFactors, type SkyParts } from './perez'

/** The cosine that the circumsolar part is divided by is not let below this one's. */
export const hayDaviesFloor = Math.cos(toRadians(89))

/**
 * Hay & Davies 1980, "Calculations of the solar radiation incident on an inclined surface": an anisotropy index
 * DNI / E0 of the diffuse comes from around the sun, the rest from the dome. Written into `out`.
 */
export function hayDaviesFactors(dni: number, extraWm2: number, out: SkyFactors): void {
  out.f1 = Math.min(1, Math.max(0, dni / extraWm2))
  out.f2 = 0
}

/** Sky diffuse on a tilted plane, W/m². */
export function hayDaviesSky(
  dhi: number,
  dni: number,
  zenithDeg: number,
  cosIncidence: number,
  tiltDeg: number,
  extraWm2: number,
): SkyParts {
  const factors = { f1: 0, f2: 0 }
  hayDaviesFactors(dni, extraWm2, factors)
  const cosZenith = Math.max(hayDaviesFloor, Math.cos(toRadians(zenithDeg)))
  return skyOnPlane(dhi, factors, cosZenith, Math.max(0, cosIncidence), toRadians(tiltDeg))
}
