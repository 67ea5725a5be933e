import { type Run } from '../graph/run'
import { addedLoad, bareLoad, type SteadyLoad } from '../load/added-load'
import { eachCar, type Car } from '../load/cars'
import { hourlyLoad } from '../load/hourly-load'
import { loadId } from '../kinds/load/load'
import { acStage } from '../stages/ac'
import { clockStage } from '../stages/clock'
import { steadyLoadStage } from '../stages/load'
import { priceThenStage } from '../stages/tariffs'
import { loadIn, siteIn, type World } from '../stages/world'

/** What one thing of the house uses in every interval of the year with solar, kWh. */
export interface LoadPart {
  /** Of what will come, or `load` for today's consumption. */
  readonly id: string
  readonly kwh: Float32Array
}

/**
 * The consumption with solar thing by thing: today's first, then what will come and counts. They sum to the whole, except
 * where more would go than there is.
 */
export function loadParts(run: Run<World>, world: World): LoadPart[] {
  const load = loadIn(world)
  const clock = run.value(clockStage)
  const counted = load.added.filter(({ on }) => on).map((one) => ({ id: one.id, bare: bareLoad(one) }))
  const year = { clock, airC: world.weather.value.temperatureC }
  const steady = counted.filter((one): one is { id: string; bare: SteadyLoad } => one.bare.what !== 'car')
  const cars = counted.filter((one): one is { id: string; bare: Car } => one.bare.what === 'car')
  const charged = eachCar(
    {
      steadyKwh: run.value(steadyLoadStage),
      cars: cars.map(({ bare }) => bare),
      clock,
      stepMinutes: world.weather.value.stepMinutes,
      price: run.value(priceThenStage),
    },
    run.value(acStage).kwhByInterval,
  )
  const known = new Map([
    ...steady.map(({ id, bare }) => [id, addedLoad(bare, year)] as const),
    ...cars.map(({ id }, k) => [id, charged[k] ?? new Float64Array(clock.hour.length)] as const),
  ])
  return [
    { id: loadId, kwh: new Float32Array(hourlyLoad(load, clock, siteIn(world).latitudeDeg < 0)) },
    ...counted.map(({ id }) => ({ id, kwh: new Float32Array(known.get(id) ?? []) })),
  ]
}
