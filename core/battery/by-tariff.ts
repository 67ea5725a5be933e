import { gatheredAhead, greatestAhead } from './day-ahead'
import { flowsOf } from './interval-cost'
import { caughtOf, clippedFor, gridEfficiency, limitsOf, outBeside } from './limits'
import { type DispatchCase } from './optimum'
import { type BatteryRun } from './battery-run'
import { emptyDispatch, type Dispatch } from './own-use'
import { roundYear } from './round-year'

/** Prices are known for a day, and so is what house and sun will do in it where there is a forecast. */
const aheadHours = 24

/** What house and sun are taken to do in the day ahead: what they did the day before, or what a forecast that comes true says. */
export type Foresight = 'day-before' | 'forecast'

/** Prices that differ by less are one price. */
const same = 1e-9

/**
 * By tariff, without knowing the future: the battery serves the house, but keeps what it will need in dearer hours of
 * the next day and the sun will not have brought by then; it is filled from the grid, where that is allowed, in the
 * cheapest hours for those in which it pays; what the house will not need goes out where the price is at its highest
 * and more than what comes after would earn. Yield that earns more at once than it would save later is sold. With a forecast
 * room is kept for what could neither be sold nor pass the inverter later.
 * @param out overwritten by it
 */
export function dispatchByTariff(
  given: DispatchCase,
  battery: BatteryRun,
  out: Dispatch = emptyDispatch(given.yieldKwh.length),
  foresight: Foresight = 'day-before',
): Dispatch {
  const outlook = new Outlook(given, battery, foresight)
  const run = (startKwh: number) => runFrom(given, battery, outlook, startKwh, out)
  return given.startKwh === null ? roundYear(battery, run) : run(given.startKwh)
}

function runFrom(
  given: DispatchCase,
  battery: BatteryRun,
  outlook: Outlook,
  startKwh: number,
  out: Dispatch,
): Dispatch {
  const { yieldKwh, loadKwh, sell: sells, stepHours, exportLimitKw, gridCharging } = given
  const n = yieldKwh.length
  const exportKwh = exportLimitKw === null ? Infinity : exportLimitKw * stepHours
  const { usableKwh, chargeEfficiency, dischargeEfficiency } = battery
  const floor = usableKwh * battery.reserve
  const limits = limitsOf(battery, stepHours)
  const gridStores = gridEfficiency(battery)
  const clipped = clippedFor(battery, given)
  let stored = Math.max(floor, Math.min(usableKwh, startKwh))
  for (let i = 0; i < n; i++) {
    const made = yieldKwh[i] as number
    const load = loadKwh[i] as number
    const sell = sells[i] as number
    const over = made - load
    const spilt = clipped ? (clipped[i] as number) : 0
    const fromClipping = caughtOf(spilt, limits, (usableKwh - stored) / chargeEfficiency)
    const most = limits.chargeMost - fromClipping
    const room = (usableKwh - stored) / chargeEfficiency - fromClipping
    const mostOut = outBeside(limits, made, spilt)
    // Of the sun, and then of the grid.
    let charged = 0
    let bought = 0
    let discharged = 0
    if (over > 0) {
      // What cannot go out is stored in any case.
      const unsaleable = over - Math.min(over, exportKwh)
      const worth = (outlook.best[i] as number) * chargeEfficiency * dischargeEfficiency
      const free = outlook.roomToKeep ? room - (outlook.roomToKeep[i] as number) / chargeEfficiency : room
      const wanted = worth >= sell ? Math.max(unsaleable, Math.min(over, free)) : unsaleable
      charged = Math.min(wanted, most, room)
    } else {
      if (stored > floor) {
        const free = stored - floor - outlook.keptFromHouse(i)
        discharged = Math.max(0, Math.min(-over, mostOut, free * dischargeEfficiency))
      }
    }
    if (gridCharging && discharged === 0) {
      const wanted = outlook.wantedFromGrid(i)
      const missing = (wanted - (stored - floor)) / chargeEfficiency - fromClipping - charged
      const more = Math.max(0, Math.min(missing, most - charged, room - charged))
      // The sun's first, also what the house would have had; the grid then serves the house.
      const ofSun = Math.min(more, Math.max(0, made) - charged)
      charged += ofSun
      bought = Math.min(((more - ofSun) * chargeEfficiency) / gridStores, limits.inverterMost)
    }
    if (charged + bought === 0 && outlook.isBestSale(i)) {
      const spare = stored - floor - discharged / dischargeEfficiency - outlook.keptFromSale(i)
      const out = exportKwh - Math.max(0, over)
      discharged += Math.max(0, Math.min(spare * dischargeEfficiency, mostOut - discharged, out))
    }
    stored +=
      (fromClipping + charged) * chargeEfficiency + bought * gridStores - discharged / dischargeEfficiency
    const flows = flowsOf({ yieldKwh: made, loadKwh: load, sell }, discharged - charged - bought, exportKwh)
    out.charged[i] = fromClipping + charged + bought
    out.fromClipping[i] = fromClipping
    out.discharged[i] = discharged
    out.storedKwh[i] = stored
    out.usedDirect[i] = Math.min(Math.max(0, made), load + Math.max(0, -made))
    out.bought[i] = flows.bought
    out.sold[i] = flows.sold
    out.curtailed[i] = flows.curtailed
  }
  return out
}

/** Prices are told apart up to this many in one look ahead; with more of them each hour is looked at by itself. */
const mostPrices = 12

/** Prices of a year and of the day ahead of each of its intervals. The year goes round. */
interface PricesAhead {
  readonly ahead: number
  readonly ofSell: Float64Array
  /** A day more than a year. */
  readonly buy: Float64Array
  readonly sell: Float64Array
  readonly highestBuy: number
  readonly highestSale: Float64Array
  readonly lowestSale: Float64Array
}

/** By the prices bought at: while years and batteries are tried under them they are the same series, never written to again. */
const knownPrices = new WeakMap<Float64Array, PricesAhead>()

function pricesAhead({ buy, sell }: Pick<DispatchCase, 'buy' | 'sell'>, ahead: number): PricesAhead {
  const known = knownPrices.get(buy)
  if (known?.ofSell === sell && known.ahead === ahead) return known
  const sells = goingRound(sell, ahead)
  const prices = {
    ahead,
    ofSell: sell,
    buy: goingRound(buy, ahead),
    sell: sells,
    highestBuy: buy.reduce((most, price) => Math.max(most, price), -Infinity),
    highestSale: greatestAhead(sells, ahead),
    lowestSale: greatestAhead(
      sells.map((price) => -price),
      ahead,
    ).map((most) => -most),
  }
  knownPrices.set(buy, prices)
  return prices
}

/** A series with as many entries of its beginning at its end as are looked ahead, and one more. */
function goingRound(series: Float64Array, ahead: number): Float64Array {
  const out = new Float64Array(series.length + ahead + 1)
  for (let at = 0; at < out.length; at += series.length)
    out.set(series.subarray(0, Math.min(series.length, out.length - at)), at)
  return out
}

/** What prices, house and sun say of the day ahead of an interval. The year goes round. */
class Outlook {
  readonly #prices: PricesAhead
  readonly #ahead: number
  /** What is taken to go through the meter without the battery; a day more than a year, as all of these. */
  readonly #over: Float64Array
  /** The same of what the battery could take of what is clipped; null where it can take nothing of it. */
  readonly #clipped: Float64Array | null
  readonly #most: number
  readonly #charge: number
  readonly #discharge: number
  readonly #roundTrip: number
  readonly #gridRoundTrip: number
  readonly #chargeEfficiency: number
  readonly #dischargeEfficiency: number
  /** By how much an interval that is dear enough adds to what is wanted before it, or its sun takes from it. */
  readonly #wants: Float64Array
  /** The most that a kWh from the battery will spare or earn within the day ahead of each interval. */
  readonly best: Float64Array
  /** What is kept for prices above one, by that price; and the same where the grid fills it at another. */
  readonly #keptAbove = new Map<number, Float64Array>()
  readonly #fromGrid = new Map<number, Float64Array>()

  /** With a forecast: room for what can go nowhere else within the day ahead of each interval, kWh inside. */
  readonly roomToKeep: Float64Array | null

  constructor(given: DispatchCase, battery: BatteryRun, foresight: Foresight) {
    const { stepHours, yieldKwh, loadKwh } = given
    const n = yieldKwh.length
    const ahead = Math.round(aheadHours / stepHours)
    this.#ahead = ahead
    this.#prices = pricesAhead(given, ahead)
    this.#over = new Float64Array(n + ahead + 1)
    this.#clipped = clippedFor(battery, given) ? new Float64Array(n + ahead + 1) : null
    let before = foresight === 'forecast' ? 0 : (n - (ahead % n)) % n
    for (let j = 0; j < this.#over.length; j++) {
      this.#over[j] = (yieldKwh[before] as number) - (loadKwh[before] as number)
      if (this.#clipped) this.#clipped[j] = given.clippedKwh?.[before] ?? 0
      before = before + 1 === n ? 0 : before + 1
    }
    const { chargeMost, dischargeMost, inverterMost } = limitsOf(battery, stepHours)
    this.#most = battery.usableKwh * (1 - battery.reserve)
    this.#charge = chargeMost * battery.chargeEfficiency
    this.#discharge = Math.min(dischargeMost, inverterMost) / battery.dischargeEfficiency
    this.#roundTrip = battery.chargeEfficiency * battery.dischargeEfficiency
    this.#gridRoundTrip = gridEfficiency(battery) * battery.dischargeEfficiency
    this.#chargeEfficiency = battery.chargeEfficiency
    this.#dischargeEfficiency = battery.dischargeEfficiency
    const { buy, sell } = this.#prices
    const worth = sell.slice()
    this.#wants = new Float64Array(worth.length)
    for (let j = 0; j < worth.length; j++) {
      const over = this.#over[j] as number
      if (over < 0) worth[j] = Math.max(sell[j] as number, buy[j] as number)
      const spilt = this.#clipped ? (this.#clipped[j] as number) : 0
      this.#wants[j] =
        over > 0 || spilt > 0
          ? -Math.min((Math.max(0, over) + spilt) * this.#chargeEfficiency, this.#charge)
          : Math.min(-over / this.#dischargeEfficiency, this.#discharge)
    }
    this.best = greatestAhead(worth, ahead)
    this.roomToKeep = foresight === 'forecast' ? this.#roomFor(given.exportLimitKw, stepHours) : null
  }

  /** What can go nowhere else fills the battery, and what the house needs draws it down again. */
  #roomFor(exportLimitKw: number | null, stepHours: number): Float64Array | null {
    if (exportLimitKw === null && !this.#clipped) return null
    const exportKwh = exportLimitKw === null ? Infinity : exportLimitKw * stepHours
    const changes = this.#over.map((over, j) => {
      const free = Math.max(0, over - exportKwh) + (this.#clipped ? (this.#clipped[j] as number) : 0)
      if (free > 0) return Math.min(free * this.#chargeEfficiency, this.#charge)
      return over < 0 ? -Math.min(-over / this.#dischargeEfficiency, this.#discharge) : 0
    })
    return gatheredAhead(changes, this.#ahead, this.#most)
  }

  /** What is kept of the battery's energy for dearer hours while the house is served. */
  keptFromHouse(i: number): number {
    return this.#kept(this.#keptAbove, i, this.#prices.buy[i] as number, -Infinity)
  }

  /** What is kept of it while it is sold. */
  keptFromSale(i: number): number {
    return this.#kept(this.#keptAbove, i, this.#prices.sell[i] as number, -Infinity)
  }

  /** What is wanted in it that the grid may fill now. */
  wantedFromGrid(i: number): number {
    const buy = this.#prices.buy[i] as number
    return this.#kept(this.#fromGrid, i, buy / this.#gridRoundTrip, buy)
  }

  /**
   * Energy over the reserve that hours dearer than a price will want and the sun will not bring before.
   * @param cheap price at which the grid fills the battery later all the same; no price does without it
   */
  #kept(known: Map<number, Float64Array>, i: number, price: number, cheap: number): number {
    if (price + same >= this.#prices.highestBuy) return 0
    let all = known.get(price)
    if (!all) {
      if (known.size >= mostPrices) return this.#keptAt(i, price, cheap)
      all = gatheredAhead(this.#changes(price, cheap), this.#ahead, this.#most)
      known.set(price, all)
    }
    return all[i] as number
  }

  #keptAt(i: number, price: number, cheap: number): number {
    let wanted = 0
    for (let j = i + this.#ahead; j > i; j--) {
      wanted += this.#changeAt(j, price, cheap)
      wanted = wanted < 0 ? 0 : wanted > this.#most ? this.#most : wanted
    }
    return wanted
  }

  #changes(price: number, cheap: number): Float64Array {
    const { buy } = this.#prices
    const out = this.#wants.slice()
    const [dear, low] = [price + same, cheap + same]
    for (let j = 0; j < out.length; j++)
      if ((this.#over[j] as number) <= 0 && (buy[j] as number) <= dear)
        out[j] = (buy[j] as number) <= low ? -this.#charge : 0
    return out
  }

  /** By how much an interval adds to what is wanted before it, or takes from it. */
  #changeAt(j: number, price: number, cheap: number): number {
    const buy = this.#prices.buy[j] as number
    if ((this.#over[j] as number) > 0 || buy > price + same) return this.#wants[j] as number
    return buy <= cheap + same ? -this.#charge : 0
  }

  /** Whether no price of the day ahead is higher, and the lowest is so by more than what the battery takes. */
  isBestSale(i: number): boolean {
    const { sell, highestSale, lowestSale } = this.#prices
    const now = sell[i] as number
    if (now <= 0 || (highestSale[i] as number) > now + same) return false
    return Math.min(now, lowestSale[i] as number) < now * this.#roundTrip - same
  }
}
