import { type Run } from '../graph/run'
import { addedLoad, bareLoad, type BareLoad } from '../load/added-load'
import { withCars } from '../load/cars'
import { acStage } from '../stages/ac'
import { clockStage } from '../stages/clock'
import { loadThenStage, steadyLoadStage } from '../stages/load'
import { priceThenStage } from '../stages/tariffs'
import { loadIn, storageIn, type World } from '../stages/world'

/**
 * What stays on when the grid fails, kWh in each interval: so much all the time, the added loads that are chosen, and a
 * share of all else that the house uses. A load that is chosen and does not count, or is no longer there, is nothing.
 * @param run that has what the stages above come to
 */
export function backedLoad(run: Run<World>, world: World): Float64Array {
  const { kw, share, loads } = storageIn(world).backup
  const stepMinutes = world.weather.value.stepMinutes
  const whole = run.value(loadThenStage).loadKwh
  const chosen = new Float64Array(whole.length)
  for (const one of loadIn(world).added) {
    if (!one.on || !loads.includes(one.id)) continue
    const own = ownKwh(bareLoad(one), run, world)
    for (let i = 0; i < chosen.length; i++) chosen[i] = (chosen[i] as number) + (own[i] as number)
  }
  const always = (kw * stepMinutes) / 60
  return whole.map((kwh, i) => {
    const own = Math.max(0, chosen[i] as number)
    return always + own + share * Math.max(0, kwh - own)
  })
}

/** One load; a car as though it had the roof's surplus to itself. */
function ownKwh(load: BareLoad, run: Run<World>, world: World): Float64Array {
  const clock = run.value(clockStage)
  const { temperatureC: airC, stepMinutes } = world.weather.value
  if (load.what !== 'car') return addedLoad(load, { clock, airC })
  const steadyKwh = run.value(steadyLoadStage)
  const house = { steadyKwh, cars: [load], clock, stepMinutes, price: run.value(priceThenStage) }
  const { loadKwh } = withCars(house, run.value(acStage).kwhByInterval)
  return loadKwh.map((kwh, i) => kwh - (steadyKwh[i] as number))
}
