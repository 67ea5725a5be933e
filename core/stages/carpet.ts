import { stage, type Stage } from '../graph/stage'
import { acStage } from './ac'
import { priceThenStage } from './bills'
import { clockStage } from './clock'
import { dispatchStage } from './dispatch'
import { lightSeriesStage, type LightSeries } from './light-series'
import { loadStage } from './load'
import { type World } from './world'

/** The year interval by interval, kWh where not said otherwise. */
export interface Carpet extends LightSeries {
  readonly stepMinutes: number
  readonly yield: Float32Array
  readonly load: Float32Array
  /** Sold less bought. */
  readonly net: Float32Array
  /** What the battery holds. */
  readonly battery: Float32Array
  /** Of a bought kWh. */
  readonly price: Float32Array
  /** Hour of the local clock. */
  readonly clockHour: Uint8Array
}

export const carpetStage: Stage<World, Carpet> = stage({
  name: 'carpet',
  version: 1,
  after: {
    light: lightSeriesStage,
    ac: acStage,
    load: loadStage,
    dispatch: dispatchStage,
    price: priceThenStage,
    clock: clockStage,
  },
  reads: (world: World) => ({ stepMinutes: world.weather.value.stepMinutes }),
  compute: ({ stepMinutes }, { light, ac, load, dispatch, price, clock }) => {
    const net = new Float32Array(load.length)
    for (let i = 0; i < net.length; i++)
      net[i] = (dispatch.sold[i] as number) - (dispatch.bought[i] as number)
    return {
      stepMinutes,
      ...light,
      yield: new Float32Array(ac.kwhByInterval),
      load: new Float32Array(load),
      net,
      battery: new Float32Array(dispatch.storedKwh),
      price: new Float32Array(price),
      clockHour: clock.hour,
    }
  },
})

/** What the house uses month by month, and how much of it does not come from the grid; kWh. */
export interface UseByMonth {
  readonly loadKwh: readonly number[]
  readonly usedKwh: readonly number[]
}

export const useByMonthStage: Stage<World, UseByMonth> = stage({
  name: 'use by month',
  version: 1,
  after: { load: loadStage, dispatch: dispatchStage, clock: clockStage },
  reads: () => ({}),
  compute: (_, { load, dispatch: { usedDirect, discharged }, clock: { month } }) => ({
    loadKwh: byMonth(month, (i) => load[i] as number),
    usedKwh: byMonth(month, (i) => (usedDirect[i] as number) + (discharged[i] as number)),
  }),
})

function byMonth(month: Uint8Array, at: (interval: number) => number): number[] {
  const months = new Array<number>(12).fill(0)
  for (let i = 0; i < month.length; i++) {
    const m = month[i] as number
    months[m] = (months[m] as number) + at(i)
  }
  return months
}
