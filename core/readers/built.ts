import { type Run } from '../graph/run'
import { type Built } from '../parts/parts-list'
import { cablesStage } from '../stages/cables'
import { siteStage } from '../stages/site'
import { stringsStage } from '../stages/strings'
import { structureStage } from '../stages/structure'
import {
  batteryIn,
  electricalIn,
  fieldsOf,
  inverterIn,
  moduleIn,
  optimizerIn,
  siteIn,
  storageIn,
  type World,
} from '../stages/world'

/** All that an option's parts and diagram follow from. */
export function builtOf(run: Run<World>, world: World): Built {
  const battery = batteryIn(world)
  return {
    site: run.value(siteStage),
    holdings: run.value(structureStage),
    strings: run.value(stringsStage).strings,
    inverters: run.value(stringsStage).inverters,
    devices: run.value(stringsStage).devices,
    optimized: run.value(stringsStage).optimized,
    optimizer: optimizerIn(world),
    module: moduleIn(world),
    inverter: inverterIn(world),
    battery: battery && { type: battery, count: storageIn(world).count },
    cables: run.value(cablesStage),
    ...fieldsOf(electricalIn(world), 'dcMm2', 'acMm2'),
    grid: fieldsOf(siteIn(world), 'gridPhases', 'gridVoltageV'),
  }
}
