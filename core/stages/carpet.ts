import { standbyKwh } from '../battery/standby'
import { stage, type Stage } from '../graph/stage'
import { clockStage } from './clock'
import { batteryRunIn, dispatchStage } from './dispatch'
import { lightSeriesStage, type LightSeries } from './light-series'
import { loadThenStage } from './load'
import { exportPriceStage, priceNowStage, priceThenStage } from './tariffs'
import { type World } from './world'
import { yieldStage } from './yield'

/** The year interval by interval, kWh where not said otherwise. */
export interface Carpet extends LightSeries {
  readonly stepMinutes: number
  /** What the battery draws itself in every interval, kWh. */
  readonly standbyKwh: number
  readonly yield: Float32Array
  readonly load: Float32Array
  /** Sold less bought. */
  readonly net: Float32Array
  readonly bought: Float32Array
  readonly sold: Float32Array
  readonly charged: Float32Array
  readonly discharged: Float32Array
  /** What the battery holds at the interval's end. */
  readonly battery: Float32Array
  readonly curtailed: Float32Array
  /** Of a bought kWh, before solar and with it. */
  readonly priceNow: Float32Array
  readonly price: Float32Array
  /** Of a sold kWh, with solar. */
  readonly earns: Float32Array
  /** Hour of the local clock. */
  readonly clockHour: Uint8Array
}

const standbyIn = (world: World) => {
  const { stepMinutes } = world.weather.value
  return { stepMinutes, standbyKwh: standbyKwh(batteryRunIn(world), stepMinutes / 60) }
}

export const carpetStage: Stage<World, Carpet> = stage({
  name: 'carpet',
  version: 5,
  after: {
    light: lightSeriesStage,
    ac: yieldStage,
    house: loadThenStage,
    dispatch: dispatchStage,
    priceNow: priceNowStage,
    price: priceThenStage,
    earns: exportPriceStage,
    clock: clockStage,
  },
  reads: standbyIn,
  compute: (
    { stepMinutes, standbyKwh: own },
    { light, ac, house, dispatch, priceNow, price, earns, clock },
  ) => {
    const load = house.loadKwh
    const net = new Float32Array(load.length)
    for (let i = 0; i < net.length; i++)
      net[i] = (dispatch.sold[i] as number) - (dispatch.bought[i] as number)
    return {
      stepMinutes,
      standbyKwh: own,
      ...light,
      yield: new Float32Array(ac.kwhByInterval),
      load: new Float32Array(load),
      net,
      bought: new Float32Array(dispatch.bought),
      sold: new Float32Array(dispatch.sold),
      charged: new Float32Array(dispatch.charged),
      discharged: new Float32Array(dispatch.discharged),
      battery: new Float32Array(dispatch.storedKwh),
      curtailed: new Float32Array(dispatch.curtailed),
      priceNow: new Float32Array(priceNow),
      price: new Float32Array(price),
      earns: new Float32Array(earns),
      clockHour: clock.hour,
    }
  },
})

/**
 * Where the energy goes month by month, kWh: what the house uses, how much of it comes from the grid and how much does
 * not, and what becomes of the rest of the yield.
 */
export interface UseByMonth {
  readonly loadKwh: readonly number[]
  readonly boughtKwh: readonly number[]
  readonly usedKwh: readonly number[]
  readonly soldKwh: readonly number[]
  readonly batteryLostKwh: readonly number[]
  readonly curtailedKwh: readonly number[]
}

export const useByMonthStage: Stage<World, UseByMonth> = stage({
  name: 'use by month',
  version: 4,
  after: { house: loadThenStage, dispatch: dispatchStage, clock: clockStage },
  reads: standbyIn,
  compute: (
    { standbyKwh: own },
    {
      house: { loadKwh: load },
      dispatch: { bought, sold, charged, discharged, curtailed },
      clock: { month },
    },
  ) => {
    const of = (series: Float64Array) => byMonth(month, (i) => series[i] as number)
    return {
      loadKwh: of(load),
      boughtKwh: of(bought),
      usedKwh: byMonth(month, (i) => (load[i] as number) - (bought[i] as number)),
      soldKwh: of(sold),
      batteryLostKwh: byMonth(month, (i) => (charged[i] as number) - (discharged[i] as number) + own),
      curtailedKwh: of(curtailed),
    }
  },
})

function byMonth(month: Uint8Array, at: (interval: number) => number): number[] {
  const months = new Array<number>(12).fill(0)
  for (let i = 0; i < month.length; i++) {
    const m = month[i] as number
    months[m] = (months[m] as number) + at(i)
  }
  return months
}
