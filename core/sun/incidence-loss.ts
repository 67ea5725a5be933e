import { toRadians } from '../model/units'

/**
 * What the glass lets through: Martin & Ruiz 2001, "Calculation of the PV modules angular losses under field
 * conditions by means of an analytical model", with their 2005 corrigendum. 1 at normal incidence.
 */
export const glassAr = 0.16
const c1 = 4 / (3 * Math.PI)
const c2 = 0.5 * glassAr - 0.154
const whole = 1 - Math.exp(-1 / glassAr)

/** Share of the beam let through, by the cosine of its incidence. */
export function beamThrough(cosIncidence: number): number {
  if (cosIncidence <= 0) return 0
  return (1 - Math.exp(-cosIncidence / glassAr)) / whole
}

/** Shares of sky and ground diffuse let through at a tilt (eq. 6 and 7). */
export function diffuseThrough(tiltDeg: number): { sky: number; ground: number } {
  const b = toRadians(Math.max(tiltDeg, 1e-3))
  const sky = Math.sin(b) + (Math.PI - b - Math.sin(b)) / (1 + Math.cos(b))
  const ground = Math.sin(b) + (b - Math.sin(b)) / (1 - Math.cos(b))
  return {
    sky: 1 - Math.exp((-(c1 + c2 * sky) * sky) / glassAr),
    ground: 1 - Math.exp((-(c1 + c2 * ground) * ground) / glassAr),
  }
}
