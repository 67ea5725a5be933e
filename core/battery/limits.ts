import { type BatteryRun, type HouseYear } from './battery-run'

/** A battery's limits in an interval, kWh at the house's side. */
export interface BatteryLimits {
  /** Of the sun. */
  readonly chargeMost: number
  readonly dischargeMost: number
  /** Of sun and battery together; infinite where each has an inverter of its own. */
  readonly inverterMost: number
}

/** The limits of a battery in intervals of so many hours; of none, nothing goes in and nothing comes out. */
export const limitsOf = (battery: BatteryRun | null, stepHours: number): BatteryLimits => ({
  chargeMost: (battery?.chargeKw ?? 0) * stepHours,
  dischargeMost: (battery?.dischargeKw ?? 0) * stepHours,
  inverterMost: battery?.dcSide ? battery.dcSide.inverterKw * stepHours : Infinity,
})

/** What the inverter clips that a battery can take; null where it can take nothing of it. */
export const clippedFor = (
  battery: BatteryRun | null,
  { clippedKwh }: Pick<HouseYear, 'clippedKwh'>,
): Float64Array | null => (battery?.dcSide ? (clippedKwh ?? null) : null)

/** Share of a kWh from the grid that is stored. */
export const gridEfficiency = ({ dcSide, chargeEfficiency }: BatteryRun): number =>
  dcSide?.gridEfficiency ?? chargeEfficiency

/** What goes in of what would be clipped, which goes before all else. @param room in the battery */
export const caughtOf = (clippedKwh: number, { chargeMost }: BatteryLimits, room: number): number =>
  clippedKwh > 0 ? Math.max(0, Math.min(clippedKwh, chargeMost, room)) : 0

/** What may come out beside the sun. An inverter that clips has no room for it, be it down for a part of the interval. */
export function outBeside(
  { dischargeMost, inverterMost }: BatteryLimits,
  yieldKwh: number,
  clippedKwh: number,
): number {
  if (inverterMost === Infinity) return dischargeMost
  return clippedKwh > 0 ? 0 : Math.min(dischargeMost, Math.max(0, inverterMost - Math.max(0, yieldKwh)))
}
