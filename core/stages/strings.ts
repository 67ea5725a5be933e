import { stringUp, stringWindow, type PanelString, type StringWindow } from '../electrical/stringing'
import { stage, type Stage } from '../graph/stage'
import { siteStage } from './site'
import { electricalIn, fieldsOf, inverterIn, moduleIn, siteIn, type World } from './world'

/** How the modules are strung, and how long a string may be. */
export interface Wiring {
  readonly window: StringWindow
  readonly strings: readonly PanelString[]
}

export const stringsStage: Stage<World, Wiring> = stage({
  name: 'strings',
  version: 2,
  after: { site: siteStage },
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
    module: fieldsOf(moduleIn(world), 'vocV', 'vmpV', 'vocPerK', 'powerPerK'),
    temperatures: fieldsOf(siteIn(world), 'lowestTemperatureC', 'highestTemperatureC'),
  }),
  compute: ({ modulesPerString, inverter, module, temperatures }, { site }) => {
    const window = stringWindow(
      module,
      inverter,
      temperatures.lowestTemperatureC,
      temperatures.highestTemperatureC,
    )
    const fields = site.arrays.map(({ panels }) => panels.map(({ id }) => id))
    return { window, strings: stringUp(fields, inverter, modulesPerString ?? Math.max(1, window.most)) }
  },
})
