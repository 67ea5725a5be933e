import { type InverterType, type ModuleType } from './catalogue'
import { modulesByInverter, type SideBySide } from './side-by-side'
import { type PanelString, type StringWindow } from './stringing'

/** Module to AC power under which an inverter idles; common practice, not a rule. */
export const lowDcAc = 0.8

/** Rules of strings and of the inverter they hang on. */
export type WiringRuleCode =
  | 'string-cold'
  | 'string-peak'
  | 'string-hot'
  | 'string-start'
  | 'inputs'
  | 'current'
  | 'parallel'
  | 'strings'
  | 'dc-ac-high'
  | 'dc-ac-low'

/** What is, against what may be. */
export interface RuleFigure<C extends string = WiringRuleCode> {
  readonly code: C
  readonly figure: number
  readonly limit: number
  readonly ok: boolean
}

type Inverter = Pick<
  InverterType,
  | 'acPowerW'
  | 'highestV'
  | 'mppLowV'
  | 'mppHighV'
  | 'startV'
  | 'inputCurrentA'
  | 'inputShortCurrentA'
  | 'highestDcAc'
>

/** Kept as long as the figure is no greater. */
export const atMost = <C extends string>(code: C, figure: number, limit: number): RuleFigure<C> => ({
  code,
  figure,
  limit,
  ok: figure <= limit * (1 + 1e-12),
})
/** Kept as long as the figure is no less. */
export const atLeast = <C extends string>(code: C, figure: number, limit: number): RuleFigure<C> => ({
  code,
  figure,
  limit,
  ok: figure >= limit * (1 - 1e-12),
})

/**
 * Volts of a string of `modules`: open in the cold against what the inverter stands, at the best point in the cold and
 * in the heat against the window, open in the cold against what starts it.
 */
export const stringRules = (modules: number, window: StringWindow, inverter: Inverter): RuleFigure[] => [
  atMost('string-cold', modules * window.coldVocV, inverter.highestV),
  atMost('string-peak', modules * window.coldVmpV, inverter.mppHighV),
  atLeast('string-hot', modules * window.hotVmpV, inverter.mppLowV),
  atLeast('string-start', modules * window.coldVocV, inverter.startV),
]

/** Greatest short-circuit current of an input. */
export const inputLimitA = ({
  inputShortCurrentA,
  inputCurrentA,
}: Pick<InverterType, 'inputCurrentA' | 'inputShortCurrentA'>): number => inputShortCurrentA ?? inputCurrentA

/** Strings by the input they hang on; those without one are left out. */
export function byInput(strings: readonly PanelString[]): ReadonlyMap<number, readonly PanelString[]> {
  const inputs = new Map<number, PanelString[]>()
  for (const string of strings)
    if (string.input >= 0) inputs.set(string.input, [...(inputs.get(string.input) ?? []), string])
  return inputs
}

/** Short-circuit current of the fullest input. */
export function currentRule(
  strings: readonly PanelString[],
  { iscA }: Pick<ModuleType, 'iscA'>,
  inverter: Inverter,
): RuleFigure {
  const most = Math.max(1, ...[...byInput(strings).values()].map(({ length }) => length))
  return atMost('current', most * iscA, inputLimitA(inverter))
}

/** Modules without an input. */
export const inputsRule = (strings: readonly PanelString[]): RuleFigure =>
  atMost(
    'inputs',
    strings.filter(({ input }) => input < 0).reduce((sum, { panelIds }) => sum + panelIds.length, 0),
    0,
  )

/** Strings of the fullest input against the connectors that it has. */
export const stringsRule = (
  strings: readonly PanelString[],
  { stringsPerInput }: Pick<InverterType, 'stringsPerInput'>,
): RuleFigure =>
  atMost(
    'strings',
    Math.max(0, ...[...byInput(strings).values()].map(({ length }) => length)),
    stringsPerInput,
  )

/** By how many modules strings on one input differ. */
export const parallelRule = (strings: readonly PanelString[]): RuleFigure =>
  atMost(
    'parallel',
    Math.max(
      0,
      ...[...byInput(strings).values()].map((own) => {
        const lengths = own.map(({ panelIds }) => panelIds.length)
        return Math.max(...lengths) - Math.min(...lengths)
      }),
    ),
    0,
  )

/** Module power on inverters of one kind. */
export interface RatedLoad {
  /** On all of them, and on the fullest, W. */
  readonly powerW: number
  readonly fullestW: number
  readonly inverters: number
}

/** All of it on one inverter. */
export const onOne = (powerW: number): RatedLoad => ({ powerW, fullestW: powerW, inverters: 1 })

/** What modules of some power are on inverters side by side; those without an input count where there is one alone. */
export function loadOf(strings: readonly PanelString[], moduleW: number, beside: SideBySide): RatedLoad {
  const count = strings.reduce((sum, { panelIds }) => sum + panelIds.length, 0)
  if (beside.inverters === 1) return onOne(count * moduleW)
  const fullest = Math.max(...modulesByInverter(strings, beside))
  return { powerW: count * moduleW, fullestW: fullest * moduleW, inverters: beside.inverters }
}

/**
 * Module to AC power: of the fullest inverter against what the maker allows, of all against what leaves them idle.
 */
export const ratioRules = (
  { powerW, fullestW, inverters }: RatedLoad,
  inverter: Pick<InverterType, 'acPowerW' | 'highestDcAc'>,
): RuleFigure[] => [
  atMost('dc-ac-high', fullestW / inverter.acPowerW, inverter.highestDcAc),
  atLeast('dc-ac-low', powerW / (inverters * inverter.acPowerW), lowDcAc),
]

/** All rules, each with the figure of the string or the input that is nearest to breaking it. */
export function wiringRules(
  strings: readonly PanelString[],
  window: StringWindow,
  module: Pick<ModuleType, 'iscA' | 'powerW'>,
  inverter: Inverter & Pick<InverterType, 'mppInputs'>,
  inverters = 1,
): RuleFigure[] {
  const wired = strings.filter(({ input }) => input >= 0)
  const lengths = wired.map(({ panelIds }) => panelIds.length)
  const volts = lengths.length > 0 ? worstOf(lengths, window, inverter) : []
  const load = loadOf(strings, module.powerW, { inverters, mppInputs: inverter.mppInputs })
  return [
    ...volts,
    inputsRule(strings),
    currentRule(strings, module, inverter),
    parallelRule(strings),
    ...ratioRules(load, inverter),
  ]
}

/** The longest string is nearest to the upper limits, the shortest to the lower ones. */
function worstOf(lengths: readonly number[], window: StringWindow, inverter: Inverter): RuleFigure[] {
  const [cold, peak] = stringRules(Math.max(...lengths), window, inverter)
  const [, , hot, start] = stringRules(Math.min(...lengths), window, inverter)
  return [cold, peak, hot, start].flatMap((rule) => rule ?? [])
}
