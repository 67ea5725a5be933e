import { stage, type Stage } from '../graph/stage'
import { addedLoad, bareLoad, type SteadyLoad } from '../load/added-load'
import { withCars, type Car, type CarYear } from '../load/cars'
import { hourlyLoad } from '../load/hourly-load'
import { acStage } from './ac'
import { clockStage } from './clock'
import { priceNowStage, priceThenStage } from './tariffs'
import { fieldsOf, loadIn, siteIn, type World } from './world'

/** What will come and counts. */
const countedIn = (world: World) =>
  loadIn(world)
    .added.filter(({ on }) => on)
    .map((one) => bareLoad(one))

/** What a house uses in every interval without its cars, kWh: today's consumption and what will come. */
export const steadyLoadStage: Stage<World, Float64Array> = stage({
  name: 'steady load',
  version: 1,
  after: { clock: clockStage },
  reads: (world: World) => {
    const load = loadIn(world)
    const added = countedIn(world).filter((one): one is SteadyLoad => one.what !== 'car')
    const byAir = added.some(({ what }) => what === 'heating' || what === 'cooling')
    return {
      load: fieldsOf(load, 'annualKwh', 'shape', 'byMonth', 'meter'),
      added,
      weather: byAir ? world.weather : null,
      // South of the equator the months turn by half a year.
      southern: siteIn(world).latitudeDeg < 0,
    }
  },
  compute: ({ load, added, weather, southern }, { clock }) => {
    const kwh = hourlyLoad(load, clock, southern)
    const year = { clock, airC: weather?.temperatureC ?? null }
    for (const one of added) {
      const more = addedLoad(one, year)
      for (let i = 0; i < kwh.length; i++) kwh[i] = (kwh[i] as number) + (more[i] as number)
    }
    // No more can go than there is.
    return kwh.map((value) => Math.max(0, value))
  },
})

/** The cars that count, and the intervals that they are placed in. */
export const carsIn = (world: World) => ({
  cars: countedIn(world).filter((one): one is Car => one.what === 'car'),
  stepMinutes: world.weather.value.stepMinutes,
})

/** What the house uses in every interval as it is now, kWh: its cars go by the tariff of today. */
export const loadNowStage: Stage<World, Float64Array> = stage({
  name: 'load now',
  version: 1,
  after: { steadyKwh: steadyLoadStage, clock: clockStage, price: priceNowStage },
  reads: carsIn,
  compute: (cars, house) => withCars({ ...cars, ...house }, null).loadKwh,
})

/** The same with solar: its cars go by the tariff of then and by the sun. */
export const loadThenStage: Stage<World, CarYear> = stage({
  name: 'load then',
  version: 1,
  after: { steadyKwh: steadyLoadStage, clock: clockStage, price: priceThenStage, ac: acStage },
  reads: carsIn,
  compute: (cars, { ac, ...house }) => withCars({ ...cars, ...house }, ac.kwhByInterval),
})
