import { stringUp, stringWindow, type PanelString, type StringWindow } from '../electrical/stringing'
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
  /** Cells of the hottest array in full sun on the hottest day. */
  readonly hottestC: number
  readonly strings: readonly PanelString[]
}

export const stringsStage: Stage<World, Wiring> = stage({
  name: 'strings',
  version: 3,
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
    ),
    module: fieldsOf(moduleIn(world), 'vocV', 'vocPerK'),
    temperatures: fieldsOf(siteIn(world), 'lowestTemperatureC', 'highestTemperatureC'),
  }),
  compute: ({ modulesPerString, inverter, module, temperatures }, { site, model }) => {
    const { lowestTemperatureC, highestTemperatureC } = temperatures
    const hottestC = highestTemperatureC + hottestRiseOf(site.arrays)
    const window = stringWindow(module, model.power, inverter, lowestTemperatureC, hottestC)
    const fields = site.faces.map(({ panels }) => panels.map(({ id }) => id))
    return {
      window,
      hottestC,
      strings: stringUp(fields, inverter, modulesPerString ?? Math.max(1, window.most)),
    }
  },
})

/** Of all arrays; before anything is laid, of one flat on a roof. */
function hottestRiseOf(arrays: readonly LaidArray[]): number {
  const laid = arrays.filter(({ panels }) => panels.length > 0).map((array) => hottestRiseK(heatAt(array)))
  return laid.length > 0 ? Math.max(...laid) : hottestRiseK(heatOverRoof(usualGapM))
}
