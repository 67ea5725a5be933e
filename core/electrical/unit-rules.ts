import { type InverterType, type ModuleType, type OptimizerType } from './catalogue'
import { branchLimitA, microCurrentA } from './electronics'
import {
  atLeast,
  atMost,
  inputLimitA,
  onOne,
  ratioRules,
  type RuleFigure,
  type WiringRuleCode,
} from './rules'
import { type PanelString, type StringWindow } from './stringing'

/** Rules of devices that sit at the modules. */
export type UnitRuleCode =
  | 'unit-cold'
  | 'unit-peak'
  | 'unit-hot'
  | 'unit-current'
  | 'unit-power'
  | 'optimizers-few'
  | 'optimizers-many'
  | 'optimizers-power'
  | 'branch-many'

type Volts = Pick<StringWindow, 'coldVocV' | 'coldVmpV' | 'hotVmpV'>
type Sheet = Pick<ModuleType, 'iscA' | 'powerW'>
type UnitFigure = RuleFigure<UnitRuleCode | WiringRuleCode>

/** One module at an optimizer: open and at its best point in the cold, at that in the heat, short-circuit current and power. */
export const optimizerRules = (
  module: Sheet,
  volts: Volts,
  optimizer: Pick<OptimizerType, 'highestV' | 'mppLowV' | 'mppHighV' | 'inputShortCurrentA' | 'powerW'>,
): RuleFigure<UnitRuleCode>[] => [
  atMost('unit-cold', volts.coldVocV, optimizer.highestV),
  atMost('unit-peak', volts.coldVmpV, optimizer.mppHighV),
  atLeast('unit-hot', volts.hotVmpV, optimizer.mppLowV),
  atMost('unit-current', module.iscA, optimizer.inputShortCurrentA),
  atMost('unit-power', module.powerW, optimizer.powerW),
]

/** A string of optimizers: enough to bring the inverter to work, no more than they may be, and their modules' power. */
export const optimizedStringRules = (
  modules: number,
  powerW: number,
  fewest: number,
  optimizer: Pick<OptimizerType, 'mostPerString' | 'stringPowerW'>,
): RuleFigure<UnitRuleCode>[] => [
  atLeast('optimizers-few', modules, fewest),
  atMost('optimizers-many', modules, optimizer.mostPerString),
  atMost('optimizers-power', modules * powerW, optimizer.stringPowerW),
]

/** One module at an input of a microinverter, and the power of its modules against its own. */
export const microRules = (
  module: Sheet,
  volts: Volts,
  inverter: Pick<
    InverterType,
    | 'acPowerW'
    | 'mppInputs'
    | 'highestV'
    | 'mppLowV'
    | 'mppHighV'
    | 'inputCurrentA'
    | 'inputShortCurrentA'
    | 'highestDcAc'
  >,
): UnitFigure[] => [
  atMost('unit-cold', volts.coldVocV, inverter.highestV),
  atMost('unit-peak', volts.coldVmpV, inverter.mppHighV),
  atLeast('unit-hot', volts.hotVmpV, inverter.mppLowV),
  atMost('unit-current', module.iscA, inputLimitA(inverter)),
  ...ratioRules(onOne(module.powerW * inverter.mppInputs), inverter),
]

/** Current of a branch of microinverters against what its breaker bears all day. */
export const branchRule = (
  devices: number,
  inverter: Pick<InverterType, 'acPowerW'>,
  branchBreakerA: number,
  acVoltsV: number,
): RuleFigure<UnitRuleCode> =>
  atMost('branch-many', devices * microCurrentA(inverter, acVoltsV), branchLimitA(branchBreakerA))

/** How many microinverters hang on each branch, in the branches' order. */
export function devicesOnBranches(
  branches: readonly PanelString[],
  devices: readonly (readonly string[])[],
): number[] {
  const deviceOf = new Map(devices.flatMap((ids, d) => ids.map((id) => [id, d] as const)))
  return branches.map(({ panelIds }) => new Set(panelIds.map((id) => deviceOf.get(id))).size)
}
