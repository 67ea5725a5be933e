import { moduleWorth, worthOfYield } from '../finance/module-worth'
import { stage, type Stage } from '../graph/stage'
import { batteryRunIn, dispatchStage } from './dispatch'
import { panelLightStage } from './panel-light'
import { sunStage } from './sun'
import { exportPriceStage, priceThenStage } from './tariffs'
import { type World } from './world'
import { yieldStage } from './yield'

/** What each module brings under the tariff, money a year: array after array, module after module. */
export const moduleWorthStage: Stage<World, Float64Array> = stage({
  name: 'worth of modules',
  version: 2,
  after: {
    light: panelLightStage,
    sun: sunStage,
    ac: yieldStage,
    dispatch: dispatchStage,
    price: priceThenStage,
    earns: exportPriceStage,
  },
  reads: (world: World) => {
    const battery = batteryRunIn(world)
    return { roundTrip: battery ? battery.chargeEfficiency * battery.dischargeEfficiency : 1 }
  },
  compute: ({ roundTrip }, { light, sun, ac, dispatch, price, earns }) =>
    moduleWorth(
      light.map(({ value }) => value.mean),
      sun.interval,
      ac.kwhByInterval,
      worthOfYield(dispatch, price, earns, roundTrip),
    ),
})
