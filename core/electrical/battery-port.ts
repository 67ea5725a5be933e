import { type BatteryType, type InverterType } from './catalogue'

/** What keeps a battery from the inverter that it would hang on. */
export type PortFault = 'battery-no-port' | 'battery-volts'

/** What of an inverter decides whether a battery can hang on it: microinverters have no port, whatever their sheet says. */
type Port = Pick<InverterType, 'batteryPort' | 'micro'>

/**
 * Whether a battery suits an inverter: a DC-coupled one hangs on a battery port, whose volts hold all of the battery's. Null
 * where it does; an AC-coupled one always does.
 */
export function portFault(
  { dcSide }: Pick<BatteryType, 'dcSide'>,
  { batteryPort, micro }: Port,
): PortFault | null {
  if (!dcSide) return null
  if (!batteryPort || micro) return 'battery-no-port'
  const holds = dcSide.lowV >= batteryPort.lowV && dcSide.highV <= batteryPort.highV
  return holds ? null : 'battery-volts'
}

/** Batteries that suit an inverter. */
export const suitingBatteries = <T extends Pick<BatteryType, 'dcSide'>>(
  batteries: readonly T[],
  inverter: Port,
): T[] => batteries.filter((battery) => portFault(battery, inverter) === null)
