import { currentRule, inputsRule, stringRules } from '../../electrical/rules'
import { type PanelString, type StringWindow } from '../../electrical/stringing'
import { stage, type Stage } from '../../graph/stage'
import { type Electrical } from '../../kinds/electrical/electrical'
import { type Site } from '../../kinds/site/site'
import { type Check } from '../../model/ledger'
import { type Quantity } from '../../model/said'
import { powerStage } from '../power'
import { stringsStage, type Wiring } from '../strings'
import { phaseVoltageV } from '../../cables/circuit'
import {
  electricalIn,
  fieldsOf,
  inverterIn,
  moduleIn,
  optimizerIn,
  siteIn,
  stepDownIn,
  type World,
} from '../world'
import { type Account } from './account'
import { automaticFor } from './automatic'
import { drawnChecks } from './drawn'
import { besideChecks } from './beside'
import { branchChecks, microChecks, optimizerChecks, stepDownChecks } from './units'

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
    'inputShortCurrentA',
    'highestDcAc',
    'micro',
    'phases',
  )

const optimizerRead = (world: World) => {
  const optimizer = optimizerIn(world)
  return (
    optimizer &&
    fieldsOf(
      optimizer,
      'id',
      'powerW',
      'highestV',
      'mppLowV',
      'mppHighV',
      'inputShortCurrentA',
      'mostPerString',
      'stringPowerW',
    )
  )
}

const volts = (value: number): Quantity => ({ value, unit: 'V', digits: 0 })

/** Whether strings and inverter fit each other: volts, amperes, inputs and power. */
export const wiringAccount: Stage<World, Account> = stage({
  name: 'account of wiring',
  version: 8,
  after: { wiring: stringsStage, power: powerStage },
  reads: (world: World) => ({
    inverter: inverterRead(world),
    module: fieldsOf(moduleIn(world), 'id', 'iscA'),
    // Of one module alone only where something holds it alone.
    modulePowerW: optimizerIn(world) || inverterIn(world).micro ? moduleIn(world).powerW : 0,
    optimizer: optimizerRead(world),
    isSteppedDown: stepDownIn(world) !== null,
    drawn: electricalIn(world).drawn,
    lowestC: siteIn(world).lowestTemperatureC,
    gridPhases: siteIn(world).gridPhases,
    branchVoltsV: inverterIn(world).micro ? phaseVoltageV(siteIn(world)) : null,
  }),
  compute: (
    {
      inverter,
      module: sheet,
      modulePowerW,
      optimizer,
      isSteppedDown,
      drawn,
      lowestC,
      gridPhases,
      branchVoltsV,
    },
    { wiring, power },
  ) => {
    if (power.count === 0) return { lines: [], checks: [] }
    const module = { ...sheet, powerW: modulePowerW }
    if (branchVoltsV !== null)
      return {
        lines: [],
        checks: [
          ...microChecks(module, wiring, inverter, lowestC),
          ...branchChecks(wiring, inverter, branchVoltsV, drawn),
          ...drawnChecks(wiring, drawn, inverter),
        ],
      }
    if (optimizer && !isSteppedDown)
      return {
        lines: [],
        checks: [
          ...optimizerChecks(module, wiring, optimizer, lowestC, drawn),
          ...phaseChecks(inverter, gridPhases),
          ...inputChecks(wiring, inverter),
          ...drawnChecks(wiring, drawn, inverter),
          ...besideChecks(power, wiring, inverter),
        ],
      }
    return {
      lines: [],
      checks: [
        // What hangs on no input has no volts there.
        ...wiring.strings
          .filter(({ input }) => input >= 0)
          .flatMap((string) => stringChecks(string, wiring.window, inverter, lowestC, drawn)),
        ...phaseChecks(inverter, gridPhases),
        ...inputChecks(wiring, inverter),
        ...currentChecks(wiring.strings, module, inverter),
        ...(optimizer && wiring.optimized.length > 0
          ? stepDownChecks(module, wiring, optimizer, lowestC)
          : []),
        ...drawnChecks(wiring, drawn, inverter),
        ...besideChecks(power, wiring, inverter),
      ],
    }
  },
})

function stringChecks(
  string: PanelString,
  window: StringWindow,
  inverter: Inverter,
  lowestC: number,
  drawn: Electrical['drawn'],
): Check[] {
  const { id, panelIds } = string
  const remedy = automaticFor([string], drawn)
  const modules = panelIds.length
  const [cold, peak, hot, start] = stringRules(modules, window, inverter)
  if (!cold || !peak || !hot || !start) return []
  // What starts it in the cold, said in the volts of the heat.
  const floor = Math.max(hot.limit, start.limit * (window.hotVmpV / window.coldVocV))
  const common = { string: id, modules, inverter: { ref: inverter.id } }
  const checks: Check[] = []
  if (!cold.ok)
    checks.push({
      id: `string-cold-${id}`,
      code: 'string-cold',
      data: {
        ...common,
        volts: volts(cold.figure),
        limit: volts(cold.limit),
        coldest: { value: lowestC, unit: '°C' },
        most: window.mostStanding,
      },
      severity: 'broken',
      measured: { figure: cold.figure, limit: cold.limit, unit: 'V' },
      objects: panelIds,
      remedy,
    })
  if (!peak.ok && cold.ok)
    checks.push({
      id: `string-peak-${id}`,
      code: 'string-peak',
      data: { ...common, volts: volts(peak.figure), limit: volts(peak.limit), most: window.most },
      severity: 'warning',
      measured: { figure: peak.figure, limit: peak.limit, unit: 'V' },
      objects: panelIds,
      remedy,
    })
  if (!hot.ok || !start.ok)
    checks.push({
      id: `string-hot-${id}`,
      code: 'string-hot',
      data: { ...common, volts: volts(hot.figure), limit: volts(floor), fewest: window.fewest },
      severity: 'broken',
      measured: { figure: hot.figure, limit: floor, unit: 'V' },
      objects: panelIds,
      remedy,
    })
  return checks
}

/** What feeds three phases needs three. */
function phaseChecks(inverter: Inverter, gridPhases: Site['gridPhases']): Check[] {
  if (inverter.phases !== 3 || gridPhases === 'three') return []
  return [
    {
      id: 'phases',
      code: 'phases',
      data: { inverter: { ref: inverter.id }, phases: gridPhases },
      severity: 'broken',
      measured: null,
      objects: [],
    },
  ]
}

function inputChecks({ electronics, strings, lengths, inverters }: Wiring, inverter: Inverter): Check[] {
  const { figure, limit, ok } = inputsRule(strings)
  if (ok) return []
  const without = strings.filter(({ input }) => input < 0)
  return [
    {
      id: 'inputs',
      code: 'inputs',
      data: {
        inputs: inverters * inverter.mppInputs,
        count: inverters,
        inverter: { ref: inverter.id },
        without: without.map(({ id }) => id).join(', '),
        modules: figure,
        electronics,
        ...lengths,
      },
      severity: 'broken',
      measured: { figure, limit, unit: 'count' },
      objects: without.flatMap(({ panelIds }) => panelIds),
    },
  ]
}

function currentChecks(
  strings: readonly PanelString[],
  module: { readonly id: string; readonly iscA: number },
  inverter: Inverter,
): Check[] {
  const { figure, limit, ok } = currentRule(strings, module, inverter)
  if (ok) return []
  return [
    {
      id: 'current',
      code: 'current',
      data: {
        module: { ref: module.id },
        inverter: { ref: inverter.id },
        current: { value: figure, unit: 'A', digits: 1 },
        limit: { value: limit, unit: 'A', digits: 1 },
      },
      severity: 'broken',
      measured: { figure, limit, unit: 'A' },
      objects: [],
    },
  ]
}
