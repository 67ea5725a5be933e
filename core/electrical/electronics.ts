import { type InverterType, type ModuleType, type OptimizerType } from './catalogue'
import { type StillDrawn } from './by-hand'
import { type PanelString, type StringWindow } from './stringing'

/** What holds modules at their best points: the inverter, or devices of their own. */
export type Electronics = 'none' | 'optimizers' | 'microinverters'

const stcC = 25
const tolerance = 1e-9
/** What flows for hours may be four fifths of a breaker's rating (NFPA 70-2023, 690.8 and 210.20). */
const continuousShare = 0.8

/** A module's volts where a device of its own holds it: nothing is in series. */
export function ownWindow(
  module: Pick<ModuleType, 'vocV' | 'vocPerK'>,
  power: { volts(irradianceWm2: number, cellC: number): number },
  lowestC: number,
  hottestC: number,
  lengths: Pick<StringWindow, 'fewest' | 'most'>,
): StringWindow {
  return {
    coldVocV: module.vocV * (1 + module.vocPerK * (lowestC - stcC)),
    coldVmpV: power.volts(1000, lowestC),
    hotVmpV: power.volts(1000, hottestC),
    ...lengths,
    mostStanding: lengths.most,
  }
}

/** What an inverter's input asks of a string of optimizers. */
export type OptimizedInput = Pick<InverterType, 'mppLowV' | 'startV'>

/**
 * How many optimizers a string may have: as their sheet says, enough of them to bring the inverter to work, and no
 * more module power than a string may have.
 */
export function optimizedLengths(
  optimizer: Pick<OptimizerType, 'fewestPerString' | 'mostPerString' | 'stringPowerW' | 'outputV'>,
  inverter: OptimizedInput,
  modulePowerW: number,
): Pick<StringWindow, 'fewest' | 'most'> {
  const reach = Math.max(inverter.mppLowV, inverter.startV) / optimizer.outputV
  return {
    fewest: Math.max(optimizer.fewestPerString, Math.ceil(reach - tolerance)),
    most: Math.max(
      1,
      Math.min(optimizer.mostPerString, Math.floor(optimizer.stringPowerW / modulePowerW + tolerance)),
    ),
  }
}

/** The greatest current of a string of optimizers: what they put out, and no more than the inverter's input draws. */
export const optimizedCurrentA = (
  { outputCurrentA }: Pick<OptimizerType, 'outputCurrentA'>,
  { inputCurrentA }: Pick<InverterType, 'inputCurrentA'>,
): number => Math.min(outputCurrentA, inputCurrentA)

/** Strings of optimizers in parallel that an input's greatest current allows; one always. */
export const parallelOptimized = (
  inverter: Pick<InverterType, 'stringsPerInput' | 'inputCurrentA'>,
  { outputCurrentA }: Pick<OptimizerType, 'outputCurrentA'>,
): number =>
  Math.max(
    1,
    Math.min(inverter.stringsPerInput, Math.floor(inverter.inputCurrentA / outputCurrentA + tolerance)),
  )

/** A microinverter's current, A. @param acVoltsV that it is connected to */
export const microCurrentA = ({ acPowerW }: Pick<InverterType, 'acPowerW'>, acVoltsV: number): number =>
  acPowerW / acVoltsV

/** Microinverters on one branch: as many as its breaker bears all day; one always. */
export const mostOnBranch = (
  inverter: Pick<InverterType, 'acPowerW'>,
  branchBreakerA: number,
  acVoltsV: number,
): number =>
  Math.max(1, Math.floor((branchBreakerA * continuousShare) / microCurrentA(inverter, acVoltsV) + tolerance))

/** Current that a branch's breaker bears all day, A. */
export const branchLimitA = (branchBreakerA: number): number => branchBreakerA * continuousShare

/** How many inverters so many modules have. @param beside inverters side by side, where they are not under the modules */
export const devicesFor = (
  { micro, mppInputs }: Pick<InverterType, 'micro' | 'mppInputs'>,
  modules: number,
  beside: number,
): number => (micro ? Math.ceil(modules / mppInputs) : beside)

/** AC power of all inverters of so many modules, W. */
export const ratedAcW = (
  inverter: Pick<InverterType, 'micro' | 'mppInputs' | 'acPowerW'>,
  modules: number,
  beside: number,
): number => inverter.acPowerW * devicesFor(inverter, modules, beside)

interface Placed {
  readonly id: string
  /** "row:column" */
  readonly slot: string
}

/** Modules row by row, there and back, so that each lies beside the one before it. */
export function thereAndBack<T extends Placed>(panels: readonly T[]): T[] {
  const placed = panels.map((panel) => {
    const [row = 0, column = 0] = panel.slot.split(':').map(Number)
    return { panel, row, column }
  })
  const rows = [...new Set(placed.map(({ row }) => row))].sort((a, b) => a - b)
  return rows.flatMap((own, k) =>
    placed
      .filter(({ row }) => row === own)
      .sort((a, b) => (k % 2 === 0 ? a.column - b.column : b.column - a.column))
      .map(({ panel }) => panel),
  )
}

/**
 * Microinverters under the modules of each plane, neighbours together, and branches of them as even as can be.
 * @param drawn branches drawn by hand, of modules that are laid: those keep their modules and their order
 * @param planes modules of each plane; no inverter reaches from one to another
 * @param inputs modules to an inverter
 * @param most inverters to a branch that is not drawn
 */
export function branchUp(
  drawn: StillDrawn['kept'],
  planes: readonly (readonly Placed[])[],
  inputs: number,
  most: number,
): { readonly strings: PanelString[]; readonly devices: string[][] } {
  const planeOf = new Map(planes.flatMap((panels, p) => panels.map(({ id }) => [id, p] as const)))
  const byHand = drawn.map(({ panelIds }) => alongPlanes(panelIds, (id) => planeOf.get(id), inputs))
  const taken = new Set(drawn.flatMap(({ panelIds }) => panelIds))
  const others = planes.flatMap((panels) =>
    inChunks(
      thereAndBack(panels.filter(({ id }) => !taken.has(id))).map(({ id }) => id),
      inputs,
    ),
  )
  const count = Math.ceil(others.length / most)
  const at = (b: number) => Math.round((b * others.length) / count)
  const branches = [
    ...drawn.map(({ panelIds, drawn: place }) => ({ panelIds, drawn: place })),
    ...Array.from({ length: count }, (_, b) => ({ panelIds: others.slice(at(b), at(b + 1)).flat() })),
  ]
  return {
    strings: branches.map((branch, b) => ({ id: `B${b + 1}`, input: b, ...branch })),
    devices: [...byHand.flat(), ...others],
  }
}

const inChunks = (ids: readonly string[], length: number): string[][] =>
  Array.from({ length: Math.ceil(ids.length / length) }, (_, k) => ids.slice(k * length, (k + 1) * length))

/** Devices one after the other, each of modules that follow on each other on one plane. */
function alongPlanes(
  ids: readonly string[],
  planeOf: (id: string) => number | undefined,
  inputs: number,
): string[][] {
  const devices: string[][] = []
  for (const id of ids) {
    const last = devices.at(-1)
    const before = last?.at(-1)
    if (last && before !== undefined && last.length < inputs && planeOf(before) === planeOf(id)) last.push(id)
    else devices.push([id])
  }
  return devices
}
