import { type InverterType, type ModuleType } from './catalogue'
import { arrangeStrings, type StringLimits } from './string-search'

const stcC = 25
const stcWm2 = 1000

export interface StringWindow {
  /** Of one module: open-circuit and maximum-power volts in the cold, maximum-power volts in the heat. */
  readonly coldVocV: number
  readonly coldVmpV: number
  readonly hotVmpV: number
  readonly fewest: number
  /** The inverter stands no more than these. */
  readonly mostStanding: number
  /** With these the maximum power stays inside the window in the cold too; never more than it stands. */
  readonly most: number
}

const tolerance = 1e-9

/** Volts of a module at its best point, by the model that its energy follows too. */
interface BestVolts {
  volts(irradianceWm2: number, cellC: number): number
}

/**
 * How many modules a string may have: cold open-circuit under the highest volts the inverter stands, cold and hot
 * maximum power within its MPPT window, and enough to start.
 * @param lowestC cells in the cold morning: as cold as the air
 * @param hottestC cells in full sun on the hottest day
 */
export function stringWindow(
  module: Pick<ModuleType, 'vocV' | 'vocPerK'>,
  power: BestVolts,
  inverter: Pick<InverterType, 'highestV' | 'mppLowV' | 'mppHighV' | 'startV'>,
  lowestC: number,
  hottestC: number,
): StringWindow {
  const coldVocV = module.vocV * (1 + module.vocPerK * (lowestC - stcC))
  const hotVmpV = power.volts(stcWm2, hottestC)
  const coldVmpV = power.volts(stcWm2, lowestC)
  const volts = { coldVocV, coldVmpV, hotVmpV }
  return { ...volts, ...lengthsWithin(volts, inverter) }
}

/** The same for a module whose volts are known. */
export function lengthsWithin(
  { coldVocV, coldVmpV, hotVmpV }: Pick<StringWindow, 'coldVocV' | 'coldVmpV' | 'hotVmpV'>,
  inverter: Pick<InverterType, 'highestV' | 'mppLowV' | 'mppHighV' | 'startV'>,
): Pick<StringWindow, 'fewest' | 'mostStanding' | 'most'> {
  const mostStanding = Math.floor(inverter.highestV / coldVocV + tolerance)
  return {
    // One that asks for no volts takes a single module.
    fewest: Math.max(
      1,
      Math.ceil(Math.max(inverter.mppLowV / hotVmpV, inverter.startV / coldVocV) - tolerance),
    ),
    mostStanding,
    most: Math.min(mostStanding, Math.floor(inverter.mppHighV / coldVmpV + tolerance)),
  }
}

export interface PanelString {
  readonly id: string
  /** Input of the inverter, from 0; -1 when none is left. */
  readonly input: number
  readonly panelIds: readonly string[]
  /** Its place among those drawn by hand; left out where it is strung automatically. */
  readonly drawn?: number
}

/** How long strings are made: within the window, or as long as the designer says at most. */
export function lengthsFor(
  window: Pick<StringWindow, 'fewest' | 'most'>,
  typed: number | null,
): Pick<StringLimits, 'fewest' | 'most'> {
  const most = Math.max(1, typed ?? window.most)
  // What no string can reach asks for nothing: the checks say what is wrong.
  return { fewest: window.fewest > most ? 1 : window.fewest, most }
}

/** Strings in parallel that an input's greatest current allows; one always. */
export const parallelStrings = (
  inverter: Pick<InverterType, 'stringsPerInput' | 'inputCurrentA' | 'inputShortCurrentA'>,
  iscA: number,
): number =>
  Math.max(
    1,
    Math.min(
      inverter.stringsPerInput,
      Math.floor((inverter.inputShortCurrentA ?? inverter.inputCurrentA) / iscA + tolerance),
    ),
  )

/**
 * Strings the modules of each direction by the best arrangement there is, in laying order, directions with most
 * modules first. What finds no input comes last, in strings without one.
 * @param groups panel ids by direction and tilt
 */
export function stringUp(groups: readonly (readonly string[])[], limits: StringLimits): PanelString[] {
  const order = groups.filter((panels) => panels.length > 0).sort((a, b) => b.length - a.length)
  const { groups: arranged } = arrangeStrings(
    order.map(({ length }) => length),
    limits,
  )
  const strings: PanelString[] = []
  const left: string[][] = []
  const add = (input: number, panelIds: readonly string[]) =>
    strings.push({ id: `S${strings.length + 1}`, input, panelIds })
  let input = 0
  order.forEach((panels, g) => {
    let taken = 0
    for (const own of arranged[g] ?? []) {
      for (let k = 0; k < own.strings; k++) add(input, panels.slice(taken, (taken += own.modules)))
      input++
    }
    for (; taken < panels.length; taken += limits.most) left.push(panels.slice(taken, taken + limits.most))
  })
  for (const panels of left) add(-1, panels)
  return strings
}
