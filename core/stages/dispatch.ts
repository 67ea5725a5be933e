import { type BatteryRun, type Dispatch } from '../battery/own-use'
import { dispatchBy } from '../battery/running'
import { type BatteryType } from '../electrical/catalogue'
import { stage, type Stage } from '../graph/stage'
import { acStage } from './ac'
import { loadStage } from './load'
import { exportPriceStage, priceThenStage } from './tariffs'
import { batteryIn, siteIn, storageIn, type World } from './world'

/** Batteries of a kind as one. */
export const asOne = (battery: BatteryType, count: number, reserve: number): BatteryRun => ({
  usableKwh: battery.usableKwh * count,
  chargeKw: battery.chargeKw * count,
  dischargeKw: battery.dischargeKw * count,
  chargeEfficiency: battery.efficiency,
  dischargeEfficiency: battery.efficiency,
  reserve,
})

/** The option's batteries as one; null where there is none. */
export function batteryRunIn(world: World): BatteryRun | null {
  const battery = batteryIn(world)
  const { count, reserve } = storageIn(world)
  return battery && asOne(battery, count, reserve)
}

/** How the option's batteries are run, and what the grid allows. */
export function runningIn(world: World) {
  const battery = batteryRunIn(world)
  const { rule, gridCharging } = storageIn(world)
  return {
    battery,
    rule,
    gridCharging: rule === 'by-tariff' && gridCharging,
    exportLimitKw: siteIn(world).exportLimitKw,
    stepHours: world.weather.value.stepMinutes / 60,
  }
}

/** Where the yield goes, interval by interval: house, battery, grid. */
export const dispatchStage: Stage<World, Dispatch> = stage({
  name: 'dispatch',
  version: 3,
  after: { ac: acStage, load: loadStage, buy: priceThenStage, sell: exportPriceStage },
  reads: runningIn,
  compute: (running, { ac, load, buy, sell }) =>
    dispatchBy(running, { ...running, yieldKwh: ac.kwhByInterval, loadKwh: load, buy, sell, startKwh: null }),
})
