import { type BatteryRun, type Dispatch } from '../battery/own-use'
import { dispatchBy } from '../battery/running'
import { type BatteryType } from '../electrical/catalogue'
import { type Run } from '../graph/run'
import { stage, type Stage } from '../graph/stage'
import { acStage } from './ac'
import { feedInStage, limitOf } from './feed-in'
import { loadStage } from './load'
import { exportPriceStage, priceThenStage } from './tariffs'
import { batteryIn, storageIn, type World } from './world'

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

/** How the option's batteries are run. */
export function runningIn(world: World) {
  const battery = batteryRunIn(world)
  const { rule, gridCharging } = storageIn(world)
  return {
    battery,
    rule,
    gridCharging: rule === 'by-tariff' && gridCharging,
    stepHours: world.weather.value.stepMinutes / 60,
  }
}

/** How an option is run, with what it may feed in. */
export const runningOf = (run: Run<World>, world: World) => ({
  ...runningIn(world),
  exportLimitKw: limitOf(run.value(feedInStage)),
})

/** Where the yield goes, interval by interval: house, battery, grid. */
export const dispatchStage: Stage<World, Dispatch> = stage({
  name: 'dispatch',
  version: 4,
  after: { ac: acStage, load: loadStage, buy: priceThenStage, sell: exportPriceStage, feedIn: feedInStage },
  reads: runningIn,
  compute: (running, { ac, load, buy, sell, feedIn }) => {
    const exportLimitKw = limitOf(feedIn)
    const given = { ...running, exportLimitKw, loadKwh: load, buy, sell, startKwh: null }
    return dispatchBy(running, { ...given, yieldKwh: ac.kwhByInterval })
  },
})
