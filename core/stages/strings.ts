import {
  lengthsFor,
  parallelStrings,
  stringUp,
  stringWindow,
  type PanelString,
  type StringWindow,
} from '../electrical/stringing'
import { stage, type Stage } from '../graph/stage'
import { heatAt } from '../energy/array-heat'
import { heatOverRoof, hottestRiseK, usualGapM } from '../energy/cell-temperature'
import { type LaidArray } from '../site/site'
import { moduleModelStage } from './module-model'
import { siteStage } from './site'
import { electricalIn, fieldsOf, inverterIn, moduleIn, siteIn, type World } from './world'

/** How the modules are strung, and how long a string may be. */
export interface Wiring {
  readonly window: StringWindow
  /** Modules in a string as they are strung. */
  readonly lengths: { readonly fewest: number; readonly most: number }
  /** Cells of the hottest array in full sun on the hottest day. */
  readonly hottestC: number
  readonly strings: readonly PanelString[]
}

export const stringsStage: Stage<World, Wiring> = stage({
  name: 'strings',
  version: 4,
  after: { site: siteStage, model: moduleModelStage },
  reads: (world: World) => ({
    modulesPerString: electricalIn(world).modulesPerString,
    inverter: fieldsOf(
      inverterIn(world),
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
  }),
  compute: ({ modulesPerString, inverter, module, temperatures }, { site, model }) => {
    const { lowestTemperatureC, highestTemperatureC } = temperatures
    const hottestC = highestTemperatureC + hottestRiseOf(site.arrays)
    const window = stringWindow(module, model.power, inverter, lowestTemperatureC, hottestC)
    const lengths = lengthsFor(window, modulesPerString)
    return {
      window,
      lengths,
      hottestC,
      strings: stringUp(alike(site.faces), {
        ...lengths,
        inputs: inverter.mppInputs,
        parallel: parallelStrings(inverter, module.iscA),
      }),
    }
  },
})

/** Panel ids that may share an input: one direction, one tilt, warmed alike. */
function alike(faces: readonly LaidArray[]): string[][] {
  const groups = new Map<string, string[]>()
  for (const face of faces) {
    const { u0, u1 } = heatAt(face)
    const near = [...face.plane.normal, u0, u1].map((value) => value.toFixed(3))
    const key = [...near, JSON.stringify(face.tracker)].join(' ')
    const group = groups.get(key) ?? []
    group.push(...face.panels.map(({ id }) => id))
    groups.set(key, group)
  }
  return [...groups.values()]
}

/** Of all arrays; before anything is laid, of one flat on a roof. */
function hottestRiseOf(arrays: readonly LaidArray[]): number {
  const laid = arrays.filter(({ panels }) => panels.length > 0).map((array) => hottestRiseK(heatAt(array)))
  return laid.length > 0 ? Math.max(...laid) : hottestRiseK(heatOverRoof(usualGapM))
}
