import { dispatchByTariff } from './by-tariff'
import { type DispatchCase } from './optimum'
import { dispatchOwnUse, type BatteryRun, type Dispatch } from './own-use'

/** A battery and what it goes by. */
export interface Running {
  /** Null: none. */
  readonly battery: BatteryRun | null
  readonly rule: 'own-use' | 'by-tariff'
}

/** A year of house, sun, grid and a battery that is run by its rule. */
export const dispatchBy = ({ battery, rule }: Running, given: DispatchCase): Dispatch =>
  battery && rule === 'by-tariff'
    ? dispatchByTariff(given, battery)
    : dispatchOwnUse(
        given.yieldKwh,
        given.loadKwh,
        given.stepHours,
        battery,
        given.exportLimitKw,
        given.startKwh,
      )
