import { toRadians } from '../model/units'
import { type SkyParts } from './perez'

/**
 * Sky diffuse on a tilted plane: Hay & Davies 1980, "Calculations of the solar radiation incident on an inclined
 * surface": an anisotropy index DNI / E0 of the diffuse comes from around the sun, the rest from the dome.
 */
export function hayDaviesSky(
  dhi: number,
  dni: number,
  zenithDeg: number,
  cosIncidence: number,
  tiltDeg: number,
  extraWm2: number,
): SkyParts {
  const index = Math.min(1, Math.max(0, dni / extraWm2))
  const cosZenith = Math.max(Math.cos(toRadians(zenithDeg)), Math.cos(toRadians(89)))
  return {
    circumsolar: (dhi * index * Math.max(0, cosIncidence)) / cosZenith,
    dome: (dhi * (1 - index) * (1 + Math.cos(toRadians(tiltDeg)))) / 2,
    horizon: 0,
  }
}
