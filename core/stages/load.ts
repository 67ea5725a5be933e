import { stage, type Stage } from '../graph/stage'
import { addedLoad } from '../load/added-load'
import { hourlyLoad } from '../load/hourly-load'
import { clockStage } from './clock'
import { priceNowStage } from './tariffs'
import { fieldsOf, loadIn, siteIn, type World } from './world'

/** What the house uses in every interval, kWh: today's consumption and what will come. */
export const loadStage: Stage<World, Float64Array> = stage({
  name: 'load',
  version: 3,
  after: { clock: clockStage, price: priceNowStage },
  reads: (world: World) => {
    const load = loadIn(world)
    const added = load.added.filter(({ on }) => on).map(({ id: _id, name: _name, ...one }) => one)
    const byAir = added.some(({ what }) => what === 'heating' || what === 'cooling')
    return {
      load: fieldsOf(load, 'annualKwh', 'shape', 'byMonth', 'meter'),
      added,
      weather: byAir ? world.weather : null,
      stepMinutes: world.weather.value.stepMinutes,
      // South of the equator the months turn by half a year.
      southern: siteIn(world).latitudeDeg < 0,
    }
  },
  compute: ({ load, added, weather, stepMinutes, southern }, { clock, price }) => {
    const kwh = hourlyLoad(load, clock, southern)
    const year = { clock, stepMinutes, price, airC: weather?.temperatureC ?? null }
    for (const one of added) {
      const more = addedLoad({ ...one, id: '', name: '' }, year)
      for (let i = 0; i < kwh.length; i++) kwh[i] = (kwh[i] as number) + (more[i] as number)
    }
    // No more can go than there is.
    return kwh.map((value) => Math.max(0, value))
  },
})
