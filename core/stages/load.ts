import { stage, type Stage } from '../graph/stage'
import { hourlyLoad } from '../load/hourly-load'
import { clockStage } from './clock'
import { fieldsOf, loadIn, siteIn, type World } from './world'

/** What the house uses in every interval, kWh. */
export const loadStage: Stage<World, Float64Array> = stage({
  name: 'load',
  version: 1,
  after: { clock: clockStage },
  reads: (world: World) => ({
    load: fieldsOf(loadIn(world), 'annualKwh', 'shape'),
    // South of the equator the months turn by half a year.
    southern: siteIn(world).latitudeDeg < 0,
  }),
  compute: ({ load, southern }, { clock }) => hourlyLoad(load, clock, southern),
})
