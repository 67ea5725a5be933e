import { type PartsPrice } from '../finance/price'
import { type Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { partsCost } from '../parts/chosen-parts'
import { partsList } from '../parts/parts-list'
import { cablesStage } from './cables'
import { siteStage } from './site'
import { stringsStage } from './strings'
import { structureStage } from './structure'
import {
  batteryIn,
  electricalIn,
  fieldsOf,
  inverterIn,
  moduleIn,
  offerIn,
  optimizerIn,
  siteIn,
  storageIn,
  type World,
} from './world'

/** What is built with, and what somebody knows better of the list of it. */
const builtIn = (world: World) => {
  const battery = batteryIn(world)
  return {
    module: moduleIn(world),
    inverter: inverterIn(world),
    optimizer: optimizerIn(world),
    battery: battery && { type: battery, count: storageIn(world).count },
    ...fieldsOf(electricalIn(world), 'dcMm2', 'acMm2', 'partChanges', 'ownParts'),
    grid: fieldsOf(siteIn(world), 'gridPhases', 'gridVoltageV'),
  }
}

/**
 * What the parts that are to be brought cost, where the offer's price follows from them; else nothing. The one item of a
 * list: it is known by what it says, so that what changes no part prices nothing anew.
 */
export const partsPriceStage: Stage<World, readonly Keyed<PartsPrice>[]> = itemStage({
  name: 'price of parts',
  version: 1,
  after: { site: siteStage, structure: structureStage, wiring: stringsStage, cables: cablesStage },
  reads: (world: World) => ({ built: offerIn(world).equipment === 'parts' ? builtIn(world) : null }),
  each: ({ built }, { site, structure, wiring, cables }): PartsPrice[] => {
    if (built === null) return []
    const { strings, inverters, devices, optimized } = wiring.value
    const lines = partsList({
      ...built,
      site: site.value,
      holdings: structure.value,
      strings,
      inverters,
      devices,
      optimized,
      cables: cables.value,
    })
    return [partsCost(lines, built)]
  },
  compute: (item: PartsPrice): PartsPrice => item,
  bytes: () => 100,
})
