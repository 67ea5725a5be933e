import { z } from 'zod'
import { type InverterType, type ModuleType } from '@/core/electrical/catalogue'
import {
  branchUp,
  mostOnBranch,
  optimizedLengths,
  ownWindow,
  parallelOptimized,
} from '@/core/electrical/electronics'
import { stringUpWith } from '@/core/electrical/by-hand'
import { inputsRule, loadOf, ratioRules, type RuleFigure } from '@/core/electrical/rules'
import { lengthsFor, type PanelString } from '@/core/electrical/stringing'
import {
  branchRule,
  devicesOnBranches,
  microRules,
  optimizedStringRules,
  optimizerRules,
} from '@/core/electrical/unit-rules'

const positive = z.number().positive().max(1e6)
const many = z.number().int().min(1).max(1000)

/** An optimizer at modules: one that makes the volts of its string with the others is at each. */
export const optimizerCase = z.object({
  powerW: positive,
  highestV: positive,
  mppLowV: z.number().min(0).max(1e6).default(0),
  mppHighV: positive.optional(),
  inputShortCurrentA: positive,
  outputV: positive,
  outputCurrentA: positive,
  fewestPerString: many.default(1),
  mostPerString: many,
  stringPowerW: positive,
  /** It only lowers volts: strings are those of modules in series. */
  stepDown: z.boolean().default(false),
})

/** What makes an inverter one that hangs under modules. */
export const microCase = z.object({
  branchBreakerA: positive,
  /** Volts that it is connected to. */
  acVoltsV: positive.default(230),
})

type Module = Pick<ModuleType, 'vocV' | 'vocPerK' | 'iscA' | 'powerW'>
type Inverter = Omit<
  InverterType,
  'id' | 'maker' | 'name' | 'price' | 'efficiency' | 'nightW' | 'king' | 'micro'
>
interface Temperatures {
  readonly lowestC: number
  readonly hottestC: number
}
interface Power {
  volts(irradianceWm2: number, cellC: number): number
}

interface Strung {
  readonly window: ReturnType<typeof ownWindow>
  readonly strings: readonly PanelString[]
  /** Microinverters on each branch; none elsewhere. */
  readonly devices: readonly number[]
  readonly checks: readonly RuleFigure<string>[]
}

/** Of rules that hold for each string, the one of the string that is nearest to breaking it. */
function nearest(rules: readonly RuleFigure<string>[]): RuleFigure<string>[] {
  const worst = new Map<string, RuleFigure<string>>()
  for (const rule of rules) {
    const known = worst.get(rule.code)
    const isLeast = rule.code === 'optimizers-few'
    if (!known || (isLeast ? rule.figure < known.figure : rule.figure > known.figure))
      worst.set(rule.code, rule)
  }
  return [...worst.values()]
}

/** Whether a module suits its optimizer. */
export const moduleRules = (
  module: Pick<Module, 'iscA' | 'powerW'>,
  volts: Parameters<typeof optimizerRules>[1],
  optimizer: z.infer<typeof optimizerCase>,
): RuleFigure<string>[] =>
  optimizerRules(module, volts, {
    ...optimizer,
    // Where it is not said, it tracks as far as it stands.
    mppHighV: optimizer.mppHighV ?? optimizer.highestV,
  })

/** Strings of optimizers, over fields as it comes. */
export function optimizedStrings(
  groups: readonly (readonly string[])[],
  typed: number | null,
  module: Module,
  power: Power,
  inverter: Inverter,
  optimizer: z.infer<typeof optimizerCase>,
  { lowestC, hottestC }: Temperatures,
  inverters: number,
): Strung {
  const lengths = optimizedLengths(optimizer, inverter, module.powerW)
  const window = ownWindow(module, power, lowestC, hottestC, lengths)
  const { strings } = stringUpWith([], [groups.flat()], {
    ...lengthsFor(window, typed),
    inputs: inverters * inverter.mppInputs,
    inverters,
    parallel: parallelOptimized(inverter, optimizer),
  })
  const wired = strings.filter(({ input }) => input >= 0)
  return {
    window,
    strings,
    devices: [],
    checks: [
      ...moduleRules(module, window, optimizer),
      ...nearest(
        wired.flatMap(({ panelIds }) =>
          optimizedStringRules(panelIds.length, module.powerW, window.fewest, optimizer),
        ),
      ),
      inputsRule(strings),
      ...ratioRules(loadOf(strings, module.powerW, { inverters, mppInputs: inverter.mppInputs }), inverter),
    ],
  }
}

/** Branches of microinverters, none over two fields. */
export function microBranches(
  fields: readonly (readonly string[])[],
  typed: number | null,
  module: Module,
  power: Power,
  inverter: Inverter,
  micro: z.infer<typeof microCase>,
  { lowestC, hottestC }: Temperatures,
): Strung {
  const most = mostOnBranch(inverter, micro.branchBreakerA, micro.acVoltsV)
  const window = ownWindow(module, power, lowestC, hottestC, { fewest: 1, most })
  const { strings, devices } = branchUp(
    [],
    fields.map((ids) => ids.map((id, column) => ({ id, slot: `0:${column}` }))),
    inverter.mppInputs,
    typed ?? most,
  )
  const counts = devicesOnBranches(strings, devices)
  return {
    window,
    strings,
    devices: counts,
    checks: [
      ...microRules(module, window, inverter),
      ...nearest(counts.map((count) => branchRule(count, inverter, micro.branchBreakerA, micro.acVoltsV))),
    ],
  }
}
