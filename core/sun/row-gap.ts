import { Fault } from '../model/fault'
import { toRadians } from '../model/units'

/** The sun's declination at the solstices, degrees. */
const solsticeDeg = 23.44
const stepMinutes = 15

/** Rows that are not to shade each other on the shortest day, between two hours of solar time. */
export interface RowGapCase {
  readonly latitudeDeg: number
  readonly tiltDeg: number
  /** What the rows look towards, clockwise from north. */
  readonly facingDeg: number
  /** How deep a row is, up its tilt, m. */
  readonly slopeM: number
  readonly fromHour: number
  readonly toHour: number
}

/**
 * The clear distance between rows on the level, m, at which none throws its shadow on the next on the shortest day
 * between two hours of solar time: the rise of a row over the tangent of the sun's profile angle, where that is lowest.
 * Rows that have the sun behind them throw none on the one behind.
 * Source: Duffie & Beckman 2013, "Solar engineering of thermal processes", 1.6 and 1.9 (profile angle).
 * @throws Fault `sun-below` where the sun is not up then
 */
export function rowGapM({ latitudeDeg, tiltDeg, facingDeg, slopeM, fromHour, toHour }: RowGapCase): number {
  const latitude = toRadians(latitudeDeg)
  // The shortest day: in June south of the equator.
  const declination = toRadians(latitudeDeg < 0 ? solsticeDeg : -solsticeDeg)
  const facing = toRadians(facingDeg)
  const rise = slopeM * Math.sin(toRadians(tiltDeg))
  let widest = 0
  const steps = Math.round(((toHour - fromHour) * 60) / stepMinutes)
  for (let k = 0; k <= steps; k++) {
    const hourAngle = toRadians(15 * (fromHour + ((toHour - fromHour) * k) / Math.max(1, steps) - 12))
    // Towards the sun: east, north, up.
    const east = -Math.cos(declination) * Math.sin(hourAngle)
    const north =
      Math.cos(latitude) * Math.sin(declination) -
      Math.sin(latitude) * Math.cos(declination) * Math.cos(hourAngle)
    const up =
      Math.sin(latitude) * Math.sin(declination) +
      Math.cos(latitude) * Math.cos(declination) * Math.cos(hourAngle)
    if (up <= 0) throw new Fault('sun-below', { from: fromHour, to: toHour })
    const ahead = east * Math.sin(facing) + north * Math.cos(facing)
    widest = Math.max(widest, (rise * ahead) / up)
  }
  return widest
}
