import { portFault } from '../../electrical/battery-port'
import { stage, type Stage } from '../../graph/stage'
import { storageId } from '../../kinds/storage/storage'
import { type Check } from '../../model/ledger'
import { type Quantity } from '../../model/said'
import { batteryIn, besideIn, fieldsOf, inverterIn, storageIn, type World } from '../world'
import { plainCheck } from './site'
import { type Account } from './account'

const volts = (value: number): Quantity => ({ value, unit: 'V', digits: 0 })
const kilowatts = (value: number): Quantity => ({ value, unit: 'kW', digits: 1 })

/** Whether DC-coupled batteries suit the inverter that they hang on. */
export const batteryPortAccount: Stage<World, Account> = stage({
  name: 'account of the battery port',
  version: 1,
  after: {},
  reads: (world: World) => {
    const battery = batteryIn(world)
    const inverter = inverterIn(world)
    if (!battery?.dcSide) return { port: null }
    const { powerKw, ...window } = inverter.batteryPort ?? { powerKw: 0, lowV: 0, highV: 0 }
    return {
      port: {
        battery: { id: battery.id, ...battery.dcSide },
        inverterId: inverter.id,
        fault: portFault(battery, fieldsOf(inverter, 'batteryPort', 'micro')),
        window,
        asksKw: storageIn(world).count * Math.max(battery.chargeKw, battery.dischargeKw),
        passesKw: powerKw * besideIn(world),
      },
    }
  },
  compute: ({ port }) => ({ lines: [], checks: port ? checksOf(port) : [] }),
})

function checksOf({ battery, inverterId, fault, window, asksKw, passesKw }: PortRead): Check[] {
  const data = { battery: { ref: battery.id }, inverter: { ref: inverterId } }
  if (fault === 'battery-no-port') return [{ ...plainCheck(fault, 'broken', storageId), data }]
  if (fault === 'battery-volts') {
    const isLow = battery.lowV < window.lowV
    const [figure, limit] = isLow ? [battery.lowV, window.lowV] : [battery.highV, window.highV]
    return [
      {
        ...plainCheck(fault, 'broken', storageId),
        data: {
          ...data,
          ...{ low: volts(battery.lowV), high: volts(battery.highV) },
          ...{ from: volts(window.lowV), to: volts(window.highV) },
        },
        measured: { figure, limit, unit: 'V' },
      },
    ]
  }
  if (asksKw <= passesKw) return []
  return [
    {
      ...plainCheck('battery-port-power', 'note', storageId),
      data: { ...data, figure: kilowatts(asksKw), limit: kilowatts(passesKw) },
      measured: { figure: asksKw, limit: passesKw, unit: 'kW' },
    },
  ]
}

interface PortRead {
  readonly battery: { readonly id: string; readonly lowV: number; readonly highV: number }
  readonly inverterId: string
  readonly fault: ReturnType<typeof portFault>
  /** Of the port; nothing where there is none. */
  readonly window: { readonly lowV: number; readonly highV: number }
  /** What the batteries could take or give at most, and what the ports pass. */
  readonly asksKw: number
  readonly passesKw: number
}
