import { portFault } from '../electrical/battery-port'
import { type BatteryType, type InverterType } from '../electrical/catalogue'
import { type BatteryRun } from './battery-run'

/** Batteries of a kind that are run together, and how many of them there are. */
export interface Batteries {
  readonly battery: Pick<
    BatteryType,
    'usableKwh' | 'chargeKw' | 'dischargeKw' | 'efficiency' | 'standbyW' | 'dcSide'
  >
  readonly count: number
  /** Share never drawn in normal running. */
  readonly reserve: number
}

/** What they may share, and how many of those stand side by side. */
export interface Behind {
  readonly inverter: Pick<InverterType, 'acPowerW' | 'efficiency' | 'batteryPort' | 'micro'>
  readonly inverters: number
}

/**
 * Batteries of a kind as one, with all figures at the house's side; null where they do not suit the inverter. DC-coupled
 * ones give and take through the inverter at its weighted efficiency, and no more than its battery port passes; the sun
 * reaches them without passing it.
 */
export function asOne(
  { battery, count, reserve }: Batteries,
  { inverter, inverters }: Behind,
): BatteryRun | null {
  const { dcSide, efficiency } = battery
  const one = {
    usableKwh: battery.usableKwh * count,
    reserve,
    standbyKw: (battery.standbyW * count) / 1000,
  }
  const [chargeKw, dischargeKw] = [battery.chargeKw * count, battery.dischargeKw * count]
  if (!dcSide)
    return { ...one, chargeKw, dischargeKw, chargeEfficiency: efficiency, dischargeEfficiency: efficiency }
  const { batteryPort } = inverter
  if (!batteryPort || portFault(battery, inverter)) return null
  const mostKw = batteryPort.powerKw * inverters
  const through = inverter.efficiency
  return {
    ...one,
    chargeKw: Math.min(chargeKw, mostKw) * through,
    dischargeKw: Math.min(dischargeKw, mostKw) * through,
    chargeEfficiency: efficiency / through,
    dischargeEfficiency: efficiency * through,
    dcSide: {
      inverterKw: (inverter.acPowerW * inverters) / 1000,
      gridEfficiency: efficiency * through,
    },
  }
}
