import { dispatchOwnUse, type BatteryRun, type Dispatch } from '../battery/own-use'
import { stage, type Stage } from '../graph/stage'
import { acStage } from './ac'
import { loadStage } from './load'
import { batteryIn, siteIn, storageIn, type World } from './world'

/** The option's batteries as one; null where there is none. */
export function batteryRunIn(world: World): BatteryRun | null {
  const battery = batteryIn(world)
  const { count, reserve } = storageIn(world)
  return (
    battery && {
      usableKwh: battery.usableKwh * count,
      chargeKw: battery.chargeKw * count,
      dischargeKw: battery.dischargeKw * count,
      chargeEfficiency: battery.efficiency,
      dischargeEfficiency: battery.efficiency,
      reserve,
    }
  )
}

/** Where the yield goes, interval by interval: house, battery, grid. */
export const dispatchStage: Stage<World, Dispatch> = stage({
  name: 'dispatch',
  version: 2,
  after: { ac: acStage, load: loadStage },
  reads: (world: World) => ({
    battery: batteryRunIn(world),
    exportLimitKw: siteIn(world).exportLimitKw,
    stepHours: world.weather.value.stepMinutes / 60,
  }),
  compute: ({ battery, exportLimitKw, stepHours }, { ac, load }) =>
    dispatchOwnUse(ac.kwhByInterval, load, stepHours, battery, exportLimitKw),
})
