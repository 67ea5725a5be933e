import { mixedInputs, stillDrawn, stringUpWith, type MixedInput } from '../electrical/by-hand'
import {
  branchUp,
  mostOnBranch,
  optimizedLengths,
  ownWindow,
  parallelOptimized,
  thereAndBack,
  type Electronics,
} from '../electrical/electronics'
import {
  lengthsFor,
  parallelStrings,
  stringWindow,
  type PanelString,
  type StringWindow,
} from '../electrical/stringing'
import { stage, type Stage } from '../graph/stage'
import { heatAt } from '../energy/array-heat'
import { facesByDirection } from '../energy/directions'
import { heatOverRoof, hottestRiseK, usualGapM } from '../energy/cell-temperature'
import { phaseVoltageV } from '../cables/circuit'
import { type LaidArray } from '../site/site'
import { moduleModelStage } from './module-model'
import { siteStage } from './site'
import {
  besideIn,
  electricalIn,
  fieldsOf,
  inverterIn,
  moduleIn,
  stepDownIn,
  stringOptimizerIn,
  siteIn,
  type World,
} from './world'

/** How the modules are strung, and how long a string may be. */
export interface Wiring {
  readonly electronics: Electronics
  /** Of microinverters and optimizers the volts are of one module alone. */
  readonly window: StringWindow
  /** Modules in a string as they are strung; of microinverters, how many are on a branch. */
  readonly lengths: { readonly fewest: number; readonly most: number }
  /** Cells of the hottest array in full sun on the hottest day. */
  readonly hottestC: number
  /** Of microinverters: the modules of a branch each. */
  readonly strings: readonly PanelString[]
  /** How many inverters there are: side by side, or under the modules. */
  readonly inverters: number
  /** Modules of each microinverter, branch after branch; of another inverter none. */
  readonly devices: readonly (readonly string[])[]
  /** Modules that have an optimizer: none, some, or all of them. */
  readonly optimized: readonly string[]
  /** Modules that are in strings drawn by hand and no longer laid. */
  readonly gone: readonly string[]
  /** Inputs that have modules of several directions; of modules with electronics of their own none. */
  readonly mixed: readonly MixedInput[]
}

export const stringsStage: Stage<World, Wiring> = stage({
  name: 'strings',
  version: 8,
  after: { site: siteStage, model: moduleModelStage },
  reads: (world: World) => {
    const inverter = inverterIn(world)
    const optimizer = stringOptimizerIn(world)
    return {
      ...fieldsOf(electricalIn(world), 'modulesPerString', 'drawn'),
      inverters: besideIn(world),
      inverter: fieldsOf(
        inverter,
        'highestV',
        'mppLowV',
        'mppHighV',
        'startV',
        'mppInputs',
        'stringsPerInput',
        'inputCurrentA',
        'inputShortCurrentA',
      ),
      module: fieldsOf(moduleIn(world), 'vocV', 'vocPerK', 'iscA'),
      temperatures: fieldsOf(siteIn(world), 'lowestTemperatureC', 'highestTemperatureC'),
      optimized: optimizer && {
        powerW: moduleIn(world).powerW,
        ...fieldsOf(
          optimizer,
          'fewestPerString',
          'mostPerString',
          'stringPowerW',
          'outputV',
          'outputCurrentA',
        ),
      },
      /** Modules that have a step-down optimizer. */
      steppedAt: stepDownIn(world) ? (electricalIn(world).optimizersAt ?? ('all' as const)) : [],
      perBranch: inverter.micro
        ? mostOnBranch(inverter, inverter.micro.branchBreakerA, phaseVoltageV(siteIn(world)))
        : null,
    }
  },
  compute: (
    { modulesPerString, drawn, inverters, inverter, module, temperatures, optimized, steppedAt, perBranch },
    { site, model },
  ) => {
    const { lowestTemperatureC, highestTemperatureC } = temperatures
    const hottestC = highestTemperatureC + hottestRiseOf(site.arrays)
    const laidIds = () => site.faces.flatMap(({ panels }) => panels.map(({ id }) => id))
    const own = (lengths: Pick<StringWindow, 'fewest' | 'most'>) =>
      ownWindow(module, model.power, lowestTemperatureC, hottestC, lengths)
    if (perBranch !== null) {
      const lengths = { fewest: 1, most: modulesPerString ?? perBranch }
      const { kept, gone } = stillDrawn(drawn, new Set(laidIds()))
      const branches = branchUp(
        kept,
        site.faces.map(({ panels }) => panels),
        inverter.mppInputs,
        lengths.most,
      )
      return {
        electronics: 'microinverters',
        window: own({ fewest: 1, most: perBranch }),
        lengths,
        hottestC,
        optimized: [],
        gone,
        mixed: [],
        inverters: Math.max(1, branches.devices.length),
        ...branches,
      }
    }
    if (optimized) {
      const window = own(optimizedLengths(optimized, inverter, optimized.powerW))
      const lengths = lengthsFor(window, modulesPerString)
      return {
        electronics: 'optimizers',
        window,
        lengths,
        hottestC,
        inverters,
        devices: [],
        optimized: laidIds(),
        mixed: [],
        // Each module works by itself: a string may go over planes, those of one direction first.
        ...stringUpWith(drawn, [alike(site.faces).flat()], {
          ...lengths,
          inputs: inverters * inverter.mppInputs,
          inverters,
          parallel: parallelOptimized(inverter, optimized),
        }),
      }
    }
    const window = stringWindow(module, model.power, inverter, lowestTemperatureC, hottestC)
    const lengths = lengthsFor(window, modulesPerString)
    const groups = alike(site.faces)
    const strung = stringUpWith(drawn, groups, {
      ...lengths,
      inputs: inverters * inverter.mppInputs,
      inverters,
      parallel: parallelStrings(inverter, module.iscA),
    })
    const stepped = new Set(steppedAt)
    return {
      electronics: 'none',
      window,
      lengths,
      hottestC,
      inverters,
      devices: [],
      optimized: steppedAt === 'all' ? laidIds() : laidIds().filter((id) => stepped.has(id)),
      mixed: mixedInputs(strung.strings, groups),
      ...strung,
    }
  },
})

/** Their panel ids, each beside the one before it. */
const alike = (faces: readonly LaidArray[]): string[][] =>
  facesByDirection(faces).map((own) => own.flatMap(({ panels }) => thereAndBack(panels).map(({ id }) => id)))

/** Of all arrays; before anything is laid, of one flat on a roof. */
function hottestRiseOf(arrays: readonly LaidArray[]): number {
  const laid = arrays.filter(({ panels }) => panels.length > 0).map((array) => hottestRiseK(heatAt(array)))
  return laid.length > 0 ? Math.max(...laid) : hottestRiseK(heatOverRoof(usualGapM))
}
