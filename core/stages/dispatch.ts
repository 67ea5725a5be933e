import { asOne, type Behind } from '../battery/as-one'
import { type BatteryRun } from '../battery/battery-run'
import { type Dispatch } from '../battery/own-use'
import { type CountedHours } from '../battery/peak-shaving'
import { dispatchBy } from '../battery/running'
import { type AcYear } from '../energy/ac'
import { type Run } from '../graph/run'
import { stage, type Stage } from '../graph/stage'
import { type LocalClock } from '../model/local-clock'
import { modelYear } from '../model/model-year'
import { firstHolding, withHolidays, type When } from '../tariff/when'
import { acStage } from './ac'
import { clockStage } from './clock'
import { feedInStage, limitOf } from './feed-in'
import { loadThenStage } from './load'
import { exportPriceStage, priceThenStage } from './tariffs'
import { batteryIn, besideIn, fieldsOf, inverterIn, storageIn, tariffThenIn, type World } from './world'

/** What an option's batteries may hang on. */
export const behindIn = (world: World): Behind => ({
  inverter: inverterIn(world),
  inverters: besideIn(world),
})

/** The option's batteries as one; null where there is none, or none that suits the inverter. */
export function batteryRunIn(world: World): BatteryRun | null {
  const battery = batteryIn(world)
  const { count, reserve } = storageIn(world)
  return battery && asOne({ battery, count, reserve }, behindIn(world))
}

/** When a tariff counts the highest power. */
interface Counted {
  readonly whens: readonly When[]
  readonly holidays: readonly string[]
}

/** How the option's batteries are run. */
export function runningIn(world: World) {
  const battery = batteryRunIn(world)
  const { rule, gridCharging } = storageIn(world)
  return {
    battery,
    rule,
    gridCharging: rule !== 'own-use' && gridCharging,
    stepHours: world.weather.value.stepMinutes / 60,
    counted: battery !== null && rule === 'peak-shaving' ? countedIn(world) : null,
  }
}

/** When the tariff with solar counts the highest power. */
export function countedIn(world: World): Counted {
  const { demand, holidays } = tariffThenIn(world)
  return { whens: demand.map((charge) => whenOf(charge)), holidays: [...holidays] }
}

const whenOf = ({ dates, ...charge }: When): When => ({
  ...fieldsOf(charge, 'months', 'days', 'fromHour', 'toHour'),
  ...(dates && { dates }),
})

/** The hours that power is counted in: those of any demand charge; all of them where the tariff has none. */
export function countedHours(counted: Counted | null, clock: LocalClock): CountedHours | null {
  if (!counted) return null
  const { whens, holidays } = counted
  if (whens.length === 0) return { counts: new Uint8Array(clock.hour.length).fill(1), month: clock.month }
  const holding = firstHolding(whens, withHolidays(clock, holidays, modelYear))
  return { counts: Uint8Array.from(holding, (one) => (one === -1 ? 0 : 1)), month: clock.month }
}

/** How an option is run, with what it may feed in. */
export function runningOf(run: Run<World>, world: World) {
  const running = runningIn(world)
  return {
    ...running,
    hours: countedHours(running.counted, run.value(clockStage)),
    exportLimitKw: limitOf(run.value(feedInStage)),
  }
}

/** What the sun gives a house, and what only a DC-coupled battery could have of it. */
export const sunOf = ({ kwhByInterval, clippedByInterval }: AcYear) => ({
  yieldKwh: kwhByInterval,
  clippedKwh: clippedByInterval,
})

/** Where the yield goes, interval by interval: house, battery, grid. */
export const dispatchStage: Stage<World, Dispatch> = stage({
  name: 'dispatch',
  version: 8,
  after: {
    ac: acStage,
    load: loadThenStage,
    buy: priceThenStage,
    sell: exportPriceStage,
    feedIn: feedInStage,
    clock: clockStage,
  },
  reads: runningIn,
  compute: ({ counted, ...running }, { ac, load, buy, sell, feedIn, clock }) => {
    const exportLimitKw = limitOf(feedIn)
    const given = { ...running, exportLimitKw, loadKwh: load.loadKwh, buy, sell, startKwh: null }
    return dispatchBy({ ...running, hours: countedHours(counted, clock) }, { ...given, ...sunOf(ac) })
  },
})
