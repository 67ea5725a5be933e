import { toRadians } from '../model/units'
import { relativeAirMass } from './perez'

/**
 * Clear-sky global and beam: Ineichen & Perez 2002, "A new airmass independent formulation for the Linke turbidity
 * coefficient", Solar Energy 73.
 * @param linke Linke turbidity at air mass 2, some 2 (clean) to 5 (hazy)
 * @returns W/m²
 */
export function clearSky(
  zenithDeg: number,
  elevationM: number,
  linke: number,
  extraWm2: number,
): { ghi: number; dni: number } {
  if (zenithDeg >= 90) return { ghi: 0, dni: 0 }
  const cosZenith = Math.cos(toRadians(zenithDeg))
  const airMass = relativeAirMass(zenithDeg) * Math.exp(-elevationM / 8434.5)
  const fh1 = Math.exp(-elevationM / 8000)
  const fh2 = Math.exp(-elevationM / 1250)
  const cg1 = 5.09e-5 * elevationM + 0.868
  const cg2 = 3.92e-5 * elevationM + 0.0387
  const ghi = Math.max(0, cg1 * extraWm2 * cosZenith * Math.exp(-cg2 * airMass * (fh1 + fh2 * (linke - 1))))
  const b = 0.664 + 0.163 / fh1
  const beam = b * extraWm2 * Math.exp(-0.09 * airMass * (linke - 1))
  const cap = (ghi * (1 - (0.1 - 0.2 * Math.exp(-linke)) / (0.1 + 0.88 / fh1))) / cosZenith
  return { ghi, dni: Math.max(0, Math.min(beam, cap)) }
}
