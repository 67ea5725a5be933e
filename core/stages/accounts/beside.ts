import { type InverterType } from '../../electrical/catalogue'
import { loadOf } from '../../electrical/rules'
import { modulesByInverter } from '../../electrical/side-by-side'
import { electricalId } from '../../kinds/electrical/electrical'
import { type Check } from '../../model/ledger'
import { type Wiring } from '../strings'
import { ratioChecks } from './units'

/** Module power against AC power, of one inverter or of several side by side; and whether one of those is there for nothing. */
export function besideChecks(
  power: { readonly count: number; readonly powerW: number },
  { strings, inverters }: Pick<Wiring, 'strings' | 'inverters'>,
  inverter: Pick<InverterType, 'id' | 'acPowerW' | 'highestDcAc' | 'mppInputs'>,
): Check[] {
  const beside = { inverters, mppInputs: inverter.mppInputs }
  const used = modulesByInverter(strings, beside).filter((modules) => modules > 0).length
  return [
    ...ratioChecks(loadOf(strings, power.powerW / power.count, beside), inverter),
    ...(used > 0 && used < inverters ? [idleCheck(used, inverters, inverter.id)] : []),
  ]
}

const idleCheck = (used: number, inverters: number, id: string): Check => ({
  id: 'inverter-idle',
  code: 'inverter-idle',
  data: { idle: inverters - used, inverters, inverter: { ref: id } },
  severity: 'warning',
  measured: { figure: used, limit: inverters, unit: 'count' },
  objects: [],
  remedy: { code: 'fewer-inverters', set: { id: electricalId, field: 'inverterCount', value: used } },
})
