import { fitDiode } from '../energy/fit-diode'
import { diodePower, type ModulePower } from '../energy/module-power'
import { type DiodeModel } from '../energy/single-diode'
import { stage, type Stage } from '../graph/stage'
import { fieldsOf, moduleIn, type World } from './world'

/** The module's electrical model, fitted to its data sheet. */
export interface ModuleModel {
  readonly diode: DiodeModel
  readonly power: ModulePower
}

export const moduleModelStage: Stage<World, ModuleModel> = stage({
  name: 'module model',
  version: 2,
  after: {},
  reads: (world: World) => ({
    sheet: fieldsOf(moduleIn(world), 'vocV', 'vmpV', 'iscA', 'impA', 'vocPerK', 'iscPerK', 'powerPerK'),
    strips: moduleIn(world).strips,
  }),
  compute: ({ sheet, strips }) => {
    const diode = fitDiode(sheet)
    return { diode, power: diodePower(diode, strips) }
  },
  // Two tables of best points.
  bytes: () => 20_000,
})
