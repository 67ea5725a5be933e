import { toRadians } from '../model/units'

/**
 * Diffuse and beam from global alone: Erbs, Klein & Duffie 1982, "Estimation of the diffuse radiation fraction for
 * hourly, daily and monthly-average global radiation", Solar Energy 28, eq. 1.
 */
export function erbsSplit(ghi: number, zenithDeg: number, extraWm2: number): { dni: number; dhi: number } {
  const cosZenith = Math.cos(toRadians(zenithDeg))
  // Below 3 degrees the division says nothing any more.
  if (ghi <= 0 || cosZenith < Math.cos(toRadians(87))) return { dni: 0, dhi: Math.max(0, ghi) }
  const kt = Math.min(1, ghi / (extraWm2 * cosZenith))
  const share =
    kt <= 0.22
      ? 1 - 0.09 * kt
      : kt <= 0.8
        ? 0.9511 - 0.1604 * kt + 4.388 * kt ** 2 - 16.638 * kt ** 3 + 12.336 * kt ** 4
        : 0.165
  const dhi = ghi * share
  return { dni: (ghi - dhi) / cosZenith, dhi }
}
