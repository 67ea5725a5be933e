import { type AcYear } from '../energy/ac'
import { withCaught } from '../energy/caught'
import { type Keyed } from '../graph/keyed'
import { itemStage, stage, type Stage } from '../graph/stage'
import { acStage } from './ac'
import { dispatchStage } from './dispatch'
import { lossesIn, type World } from './world'

/**
 * What the battery takes of what would be clipped, kWh in each interval, as the one item of a list: there is none where
 * it takes nothing, so that how most batteries are run recomputes nothing of the yield.
 */
export const caughtStage: Stage<World, readonly Keyed<Float64Array>[]> = itemStage({
  name: 'caught of clipping',
  version: 1,
  after: { dispatch: dispatchStage },
  reads: () => ({}),
  each: (_none, { dispatch }) => (dispatch.value.fromClipping.some((kwh) => kwh > 0) ? [{ dispatch }] : []),
  compute: ({ dispatch }) => dispatch.fromClipping,
  bytes: ({ byteLength }) => byteLength,
})

/** Of all that is caught, kWh in the year. */
export const caughtKwhOf = ([caught]: readonly Keyed<Float64Array>[]): number =>
  caught?.value.reduce((sum, kwh) => sum + kwh, 0) ?? 0

/** What the modules yield: all that comes out of the inverter, and what the battery takes before it. */
export const yieldStage: Stage<World, AcYear> = stage({
  name: 'yield',
  version: 1,
  after: { ac: acStage, caught: caughtStage },
  reads: (world: World) => ({ downtime: lossesIn(world).availability }),
  compute: ({ downtime }, { ac, caught: [caught] }) => (caught ? withCaught(ac, caught.value, downtime) : ac),
})
