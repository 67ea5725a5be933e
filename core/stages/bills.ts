import { stage, type Stage } from '../graph/stage'
import { modelYear } from '../model/model-year'
import { type FormBill } from '../tariff/bill-lines'
import { formBill } from '../tariff/form-bill'
import { clockStage } from './clock'
import { dispatchStage } from './dispatch'
import { loadNowStage } from './load'
import { formOf, withoutExports } from './tariffs'
import { tariffNowIn, tariffThenIn, type World } from './world'

/** Twelve bills as they are now. */
export const billNowStage: Stage<World, FormBill> = stage({
  name: 'bill now',
  version: 3,
  after: { load: loadNowStage, clock: clockStage },
  reads: (world: World) => ({
    tariff: withoutExports(tariffNowIn(world)),
    stepMinutes: world.weather.value.stepMinutes,
  }),
  compute: ({ tariff, stepMinutes }, { load, clock }) =>
    formBill(tariff, {
      clock,
      year: modelYear,
      stepMinutes,
      boughtKwh: load,
      soldKwh: new Float64Array(load.length),
    }),
})

/** Twelve bills with solar. */
export const billThenStage: Stage<World, FormBill> = stage({
  name: 'bill then',
  version: 2,
  after: { dispatch: dispatchStage, clock: clockStage },
  reads: (world: World) => ({
    tariff: formOf(tariffThenIn(world)),
    stepMinutes: world.weather.value.stepMinutes,
  }),
  compute: ({ tariff, stepMinutes }, { dispatch: { bought, sold }, clock }) =>
    formBill(tariff, { clock, year: modelYear, stepMinutes, boughtKwh: bought, soldKwh: sold }),
})
