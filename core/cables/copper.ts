import { type Grid } from './circuit'

/** Copper in a cable that is warm from its current, Ω mm²/m (IEC 60364-5-52:2009, annex G). */
export const copperOhmMm2PerM = 0.0225

/** Of one conductor of a length, Ω. */
export const conductorOhm = (lengthM: number, mm2: number): number => (copperOhmMm2PerM * lengthM) / mm2

/** Conductors that carry the current of a circuit: there and back, or the three of three phases. */
export const loadedConductors = ({ gridPhases }: Pick<Grid, 'gridPhases'>): number =>
  gridPhases === 'three' ? 3 : 2

/**
 * Volts that a current of one phase or of direct current loses there and back, and of three phases between two
 * conductors, per ohm and ampere.
 */
export const dropFactor = ({ gridPhases }: Pick<Grid, 'gridPhases'>): number =>
  gridPhases === 'three' ? Math.sqrt(3) : 2

/**
 * What a branch of equal devices loses as if its whole current went through one conductor of this length, m: all of it
 * along the way down, and between the devices as much as those behind give.
 * @param alongM from the first device to the last
 * @param homeM from the first device down
 */
export function heatedM(devices: number, alongM: number, homeM: number): number {
  if (devices < 2) return homeM
  const stepM = alongM / (devices - 1)
  let squares = 0
  for (let behind = 1; behind < devices; behind++) squares += (behind / devices) ** 2
  return homeM + squares * stepM
}

/** The same for the volts that the last device is above the end of the cable, m. */
export function risenM(devices: number, alongM: number, homeM: number): number {
  // Each step carries what those behind it give: a half of everything on the mean.
  return devices < 2 ? homeM : homeM + alongM / 2
}
