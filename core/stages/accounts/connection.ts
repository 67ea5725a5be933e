import { breakerRatings } from '../../cables/circuit'
import { busbarRule, busbarShare, shutdownRule, unbalancedRule } from '../../electrical/connection-rules'
import { devicesOnBranches } from '../../electrical/unit-rules'
import { stage, type Stage } from '../../graph/stage'
import { type Check } from '../../model/ledger'
import { type Quantity } from '../../model/said'
import { batteryWIn } from '../cables'
import { powerStage } from '../power'
import { stringsStage } from '../strings'
import { besideIn, fieldsOf, inverterIn, siteIn, type World } from '../world'
import { type Account } from './account'

const amperes = (value: number): Quantity => ({ value, unit: 'A', digits: 0 })
const kilowatts = (value: number): Quantity => ({ value, unit: 'kW', digits: 1 })

/** Whether the house's own connection bears what feeds it, and what the grid or the authority asks for is there. */
export const connectionAccount: Stage<World, Account> = stage({
  name: 'account of the connection',
  version: 2,
  after: { wiring: stringsStage, power: powerStage },
  reads: (world: World) => {
    const { id, acPowerW, phases = 1, micro } = inverterIn(world)
    return {
      inverter: { id, acPowerW, phases, isMicro: micro !== undefined },
      beside: besideIn(world),
      batteryW: batteryWIn(world),
      site: fieldsOf(
        siteIn(world),
        'gridPhases',
        'gridVoltageV',
        'busbarA',
        'mainBreakerA',
        'unbalancedKw',
        'shutdownAsked',
      ),
    }
  },
  compute: ({ inverter, beside, batteryW, site }, { wiring, power }) => {
    if (power.count === 0) return { lines: [], checks: [] }
    const circuitsW = inverter.isMicro
      ? devicesOnBranches(wiring.strings, wiring.devices).map((count) => count * inverter.acPowerW)
      : Array.from({ length: beside }, () => inverter.acPowerW)
    const inverterW = circuitsW.reduce((sum, watts) => sum + watts, 0)
    const checks: Check[] = []
    const busbar = busbarRule({ inverterW, batteryW }, site)
    if (busbar && !busbar.ok) {
      const room = busbar.limit - (busbar.figure - (site.mainBreakerA ?? 0))
      const main = breakerRatings.findLast((rating) => rating <= room)
      checks.push({
        id: 'busbar',
        code: 'busbar',
        data: {
          figure: amperes(busbar.figure),
          limit: amperes(busbar.limit),
          busbar: amperes(site.busbarA ?? 0),
          share: { value: busbarShare(site), unit: 'share', digits: 0 },
          main: amperes(main ?? 0),
          fits: main === undefined ? 'no' : 'yes',
        },
        severity: 'broken',
        measured: { figure: busbar.figure, limit: busbar.limit, unit: 'A' },
        objects: [],
      })
    }
    const unbalanced = unbalancedRule(inverter.phases, circuitsW, site)
    if (unbalanced && !unbalanced.ok)
      checks.push({
        id: 'unbalanced',
        code: 'unbalanced',
        data: {
          inverter: { ref: inverter.id },
          figure: kilowatts(unbalanced.figure),
          limit: kilowatts(unbalanced.limit),
        },
        severity: 'broken',
        measured: { figure: unbalanced.figure, limit: unbalanced.limit, unit: 'kW' },
        objects: [],
      })
    const shutdown = shutdownRule(
      wiring.electronics === 'microinverters' ? 0 : power.count - wiring.optimized.length,
      site.shutdownAsked,
    )
    if (!shutdown.ok)
      checks.push({
        id: 'shutdown',
        code: 'shutdown',
        data: { modules: shutdown.figure },
        severity: 'broken',
        measured: { figure: shutdown.figure, limit: 0, unit: 'count' },
        objects: [],
      })
    return { lines: [], checks }
  },
})
