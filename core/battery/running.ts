import { dispatchByTariff } from './by-tariff'
import { type DispatchCase } from './optimum'
import { type BatteryRun } from './battery-run'
import { dispatchOwnUse, emptyDispatch, type Dispatch } from './own-use'
import { dispatchPeaks, type CountedHours } from './peak-shaving'
import { withStandby } from './standby'

/** A battery and what it goes by. */
export interface Running {
  /** Null: none. */
  readonly battery: BatteryRun | null
  readonly rule: 'own-use' | 'by-tariff' | 'by-forecast' | 'peak-shaving'
  /** Where power is counted; only peak shaving asks. */
  readonly hours: CountedHours | null
}

/** A year of house, sun, grid and a battery that is run by its rule. */
export const dispatchBy = (running: Running, given: DispatchCase): Dispatch =>
  dispatchServed(running, withStandby(given, running.battery), emptyDispatch(given.yieldKwh.length))

/**
 * The same for many years, of which one after the other is looked at.
 * @param given with what the battery draws itself in the house's load
 * @param into overwritten by it
 */
export function dispatchServed(
  { battery, rule, hours }: Running,
  given: DispatchCase,
  into: Dispatch,
): Dispatch {
  if (battery && rule === 'by-tariff') return dispatchByTariff(given, battery, into)
  if (battery && rule === 'by-forecast') return dispatchByTariff(given, battery, into, 'forecast')
  if (battery && rule === 'peak-shaving' && hours) return dispatchPeaks(given, battery, hours, into)
  return dispatchOwnUse(given, battery, into)
}
