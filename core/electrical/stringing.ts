import { type InverterType, type ModuleType } from './catalogue'

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
  const mostStanding = Math.floor(inverter.highestV / coldVocV + tolerance)
  return {
    coldVocV,
    coldVmpV,
    hotVmpV,
    fewest: Math.ceil(Math.max(inverter.mppLowV / hotVmpV, inverter.startV / coldVocV) - tolerance),
    mostStanding,
    most: Math.min(mostStanding, Math.floor(inverter.mppHighV / coldVmpV + tolerance)),
  }
}

export interface PanelString {
  readonly id: string
  /** Input of the inverter, from 0; -1 when none is left. */
  readonly input: number
  readonly panelIds: readonly string[]
}

/**
 * Strings each plane's modules in strings of near-equal length within the limit, modules in laying order, and gives
 * planes to inputs in turn, those with most modules first. Strings of one input lie on one plane.
 * @param fields panel ids by plane
 */
export function stringUp(
  fields: readonly (readonly string[])[],
  inverter: Pick<InverterType, 'mppInputs' | 'stringsPerInput'>,
  mostPerString: number,
): PanelString[] {
  const order = fields.map((panels, index) => ({ panels, index })).filter((f) => f.panels.length > 0)
  order.sort((a, b) => b.panels.length - a.panels.length || a.index - b.index)
  const strings: PanelString[] = []
  let input = 0
  for (const { panels } of order) {
    const count = Math.ceil(panels.length / Math.max(1, mostPerString))
    let taken = 0
    for (let k = 0; k < count; k++) {
      const length = Math.round(((k + 1) * panels.length) / count) - taken
      const place = input < inverter.mppInputs ? input : -1
      strings.push({
        id: `S${strings.length + 1}`,
        input: place,
        panelIds: panels.slice(taken, taken + length),
      })
      taken += length
      if ((k + 1) % inverter.stringsPerInput === 0 || k === count - 1) input++
    }
  }
  return strings
}
