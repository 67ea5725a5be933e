import { type PanelString, type StringWindow } from '../../electrical/stringing'
import { stage, type Stage } from '../../graph/stage'
import { electricalId } from '../../kinds/electrical/electrical'
import { type Check, type Remedy } from '../../model/ledger'
import { type Quantity } from '../../model/said'
import { powerStage } from '../finance'
import { stringsStage } from '../strings'
import { fieldsOf, inverterIn, moduleIn, siteIn, type World } from '../world'
import { type Account } from './account'

/** Module to AC power under which an inverter idles; common practice, not a rule. */
const lowDcAc = 0.8

type Inverter = ReturnType<typeof inverterRead>

const inverterRead = (world: World) =>
  fieldsOf(
    inverterIn(world),
    'id',
    'acPowerW',
    'highestV',
    'mppLowV',
    'mppHighV',
    'startV',
    'mppInputs',
    'stringsPerInput',
    'inputCurrentA',
    'highestDcAc',
  )

const automatic: Remedy = {
  code: 'string-automatically',
  set: { id: electricalId, field: 'modulesPerString', value: null },
}

const volts = (value: number): Quantity => ({ value, unit: 'V', digits: 0 })

/** Whether strings and inverter fit each other: volts, amperes, inputs and power. */
export const wiringAccount: Stage<World, Account> = stage({
  name: 'account of wiring',
  version: 1,
  after: { wiring: stringsStage, power: powerStage },
  reads: (world: World) => ({
    inverter: inverterRead(world),
    module: fieldsOf(moduleIn(world), 'id', 'iscA'),
    lowestC: siteIn(world).lowestTemperatureC,
  }),
  compute: ({ inverter, module, lowestC }, { wiring, power }) => {
    if (power.count === 0) return { lines: [], checks: [] }
    return {
      lines: [],
      checks: [
        ...wiring.strings.flatMap((string) => stringChecks(string, wiring.window, inverter, lowestC)),
        ...inputChecks(wiring.strings, inverter),
        ...currentChecks(module, inverter),
        ...ratioChecks(power.powerW, inverter),
      ],
    }
  },
})

function stringChecks(
  { id, panelIds }: PanelString,
  window: StringWindow,
  inverter: Inverter,
  lowestC: number,
): Check[] {
  const modules = panelIds.length
  const cold = modules * window.coldVocV
  const peak = modules * window.coldVmpV
  const hot = modules * window.hotVmpV
  const floor = Math.max(inverter.mppLowV, inverter.startV * (window.hotVmpV / window.coldVocV))
  const common = { string: id, modules, inverter: { ref: inverter.id } }
  const checks: Check[] = []
  if (cold > inverter.highestV)
    checks.push({
      id: `string-cold-${id}`,
      code: 'string-cold',
      data: {
        ...common,
        volts: volts(cold),
        limit: volts(inverter.highestV),
        coldest: { value: lowestC, unit: '°C' },
        most: window.mostStanding,
      },
      severity: 'broken',
      measured: { figure: cold, limit: inverter.highestV, unit: 'V' },
      objects: panelIds,
      remedy: automatic,
    })
  if (peak > inverter.mppHighV && cold <= inverter.highestV)
    checks.push({
      id: `string-peak-${id}`,
      code: 'string-peak',
      data: { ...common, volts: volts(peak), limit: volts(inverter.mppHighV), most: window.most },
      severity: 'warning',
      measured: { figure: peak, limit: inverter.mppHighV, unit: 'V' },
      objects: panelIds,
      remedy: automatic,
    })
  if (hot < floor)
    checks.push({
      id: `string-hot-${id}`,
      code: 'string-hot',
      data: { ...common, volts: volts(hot), limit: volts(floor), fewest: window.fewest },
      severity: 'broken',
      measured: { figure: hot, limit: floor, unit: 'V' },
      objects: panelIds,
      remedy: automatic,
    })
  return checks
}

function inputChecks(strings: readonly PanelString[], inverter: Inverter): Check[] {
  const without = strings.filter(({ input }) => input < 0)
  if (without.length === 0) return []
  const panels = without.flatMap(({ panelIds }) => panelIds)
  return [
    {
      id: 'inputs',
      code: 'inputs',
      data: {
        strings: strings.length,
        inputs: inverter.mppInputs,
        inverter: { ref: inverter.id },
        without: without.map(({ id }) => id).join(', '),
        modules: panels.length,
      },
      severity: 'broken',
      measured: {
        figure: strings.length,
        limit: inverter.mppInputs * inverter.stringsPerInput,
        unit: 'count',
      },
      objects: panels,
    },
  ]
}

function currentChecks(module: { readonly id: string; readonly iscA: number }, inverter: Inverter): Check[] {
  if (module.iscA <= inverter.inputCurrentA) return []
  return [
    {
      id: 'current',
      code: 'current',
      data: {
        module: { ref: module.id },
        inverter: { ref: inverter.id },
        current: { value: module.iscA, unit: 'A', digits: 1 },
        limit: { value: inverter.inputCurrentA, unit: 'A', digits: 1 },
      },
      severity: 'broken',
      measured: { figure: module.iscA, limit: inverter.inputCurrentA, unit: 'A' },
      objects: [],
    },
  ]
}

function ratioChecks(powerW: number, inverter: Inverter): Check[] {
  const ratio = powerW / inverter.acPowerW
  const high = ratio > inverter.highestDcAc
  if (!high && ratio >= lowDcAc) return []
  return [
    {
      id: 'dc-ac',
      code: high ? 'dc-ac-high' : 'dc-ac-low',
      data: {
        modules: { value: powerW / 1000, unit: 'kW', digits: 2 },
        inverter: { value: inverter.acPowerW / 1000, unit: 'kW', digits: 2 },
      },
      severity: high ? 'broken' : 'note',
      measured: { figure: ratio, limit: high ? inverter.highestDcAc : lowDcAc, unit: 'ratio' },
      objects: [],
    },
  ]
}
