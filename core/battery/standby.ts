import { type BatteryRun } from './battery-run'

/** kWh that a battery draws itself in an interval of so many hours. */
export const standbyKwh = (battery: BatteryRun | null, stepHours: number): number =>
  (battery?.standbyKw ?? 0) * stepHours

/** A year in which the house draws what its battery draws itself: yield, battery and grid serve both alike. */
export function withStandby<T extends { readonly loadKwh: Float64Array; readonly stepHours: number }>(
  given: T,
  battery: BatteryRun | null,
): T {
  const own = standbyKwh(battery, given.stepHours)
  if (own === 0) return given
  const loadKwh = given.loadKwh.slice()
  for (let i = 0; i < loadKwh.length; i++) loadKwh[i] = (loadKwh[i] as number) + own
  return { ...given, loadKwh }
}
