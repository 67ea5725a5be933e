/**
 * Wind over the ground by height as a share of the wind at a station's 10 m in open country: Sherman & Grimsrud 1980
 * ("Infiltration-pressurization correlation", ASHRAE Transactions 86), terrain classes II and IV.
 */
const terrains = {
  open: { factor: 1, exponent: 0.15 },
  suburb: { factor: 0.67, exponent: 0.25 },
} as const
/** Below this the power law means nothing; modules on the ground stand about as high. */
const lowestM = 1

/** @param heightM of the modules over the ground */
export function windShare(heightM: number, terrain: 'open' | 'suburb'): number {
  const { factor, exponent } = terrains[terrain]
  return factor * (Math.max(lowestM, heightM) / 10) ** exponent
}
