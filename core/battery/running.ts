import { dispatchByTariff } from './by-tariff'
import { type DispatchCase } from './optimum'
import { dispatchOwnUse, type BatteryRun, type Dispatch } from './own-use'
import { dispatchPeaks, type CountedHours } from './peak-shaving'
import { withStandby } from './standby'

/** A battery and what it goes by. */
export interface Running {
  /** Null: none. */
  readonly battery: BatteryRun | null
  readonly rule: 'own-use' | 'by-tariff' | 'peak-shaving'
  /** Where power is counted; only peak shaving asks. */
  readonly hours: CountedHours | null
}

/** A year of house, sun, grid and a battery that is run by its rule. */
export function dispatchBy({ battery, rule, hours }: Running, asked: DispatchCase): Dispatch {
  const given = withStandby(asked, battery)
  if (battery && rule === 'by-tariff') return dispatchByTariff(given, battery)
  if (battery && rule === 'peak-shaving' && hours) return dispatchPeaks(given, battery, hours)
  return dispatchOwnUse(
    given.yieldKwh,
    given.loadKwh,
    given.stepHours,
    battery,
    given.exportLimitKw,
    given.startKwh,
  )
}
