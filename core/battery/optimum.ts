import { goldenSection } from '../model/golden-section'
import { clippedFor, gridEfficiency, limitsOf } from './limits'
import { type BatteryRun, type HouseYear } from './battery-run'
import { emptyDispatch, type Dispatch } from './own-use'
import { Convex } from './convex'
import {
  flowsOf,
  intervalCost,
  IntervalCurve,
  throughBattery,
  type BatteryStep,
  type Interval,
} from './interval-cost'
import { withStandby } from './standby'

/** What the house, the sun and the grid give, one entry an interval: kWh, and money per kWh. */
export interface DispatchCase extends HouseYear {
  readonly buy: Float64Array
  readonly sell: Float64Array
  /** Whether the battery may be filled with more than the yield of the interval. */
  readonly gridCharging: boolean
}

export interface Optimum extends Dispatch {
  /** Money paid less money earned. */
  readonly cost: number
  /** No way of running costs less; below the cost only where prices turn against each other within an interval. */
  readonly bound: number
}

const goldenSteps = 80

/**
 * The cheapest way to run a battery that knows the year: exact. The least cost to reach each content of the battery is a
 * convex function that is straight in parts; each interval adds its own parts to it in the order of their slopes and
 * cuts what the battery cannot hold. The way is read back from the last interval to the first.
 */
export function optimum(given: DispatchCase, battery: BatteryRun): Optimum {
  const problem = new Problem(withStandby(given, battery), battery)
  const { startKwh } = given
  if (startKwh !== null) {
    const start = Math.max(problem.floor, Math.min(problem.cap, startKwh))
    return problem.run(start, null)
  }
  return problem.bestRound()
}

/** Longer than a battery remembers what was in it. */
const memoryHours = 24 * 40

class Problem {
  readonly floor: number
  readonly cap: number
  readonly #given: DispatchCase
  readonly #step: BatteryStep
  readonly #clipped: Float64Array | null
  readonly #n: number
  readonly #curve = new IntervalCurve()

  constructor(given: DispatchCase, battery: BatteryRun) {
    this.#given = given
    this.#n = given.yieldKwh.length
    this.cap = battery.usableKwh
    this.floor = battery.usableKwh * battery.reserve
    this.#clipped = clippedFor(battery, given)
    const { chargeMost, dischargeMost, inverterMost } = limitsOf(battery, given.stepHours)
    // Field by field: one made by spreading took half as long again to read in the loops.
    this.#step = {
      chargeMost,
      dischargeMost,
      inverterMost,
      gridEfficiency: gridEfficiency(battery),
      chargeEfficiency: battery.chargeEfficiency,
      dischargeEfficiency: battery.dischargeEfficiency,
      exportKwh: given.exportLimitKw === null ? Infinity : given.exportLimitKw * given.stepHours,
      gridCharging: given.gridCharging,
    }
  }

  /** Begins and ends with the content that costs least. */
  bestRound(): Optimum {
    const span = this.cap - this.floor
    if (span <= 0 || this.#n === 0) return this.run(this.floor, this.floor)
    // A year forgets its start: the first weeks say what a start is worth, the last ones what an end costs.
    const weeks = Math.min(this.#n, Math.ceil(memoryHours / this.#given.stepHours))
    const guess = this.#bestOver(weeks)
    const found = this.#ifBest(guess) ?? (weeks < this.#n ? this.#ifBest(this.#bestOver(this.#n)) : null)
    if (found) return found
    const start = this.#search((at) => this.#sweep(new Convex().setPoint(at), 0).at(at))
    return this.run(start, start)
  }

  #bestOver(intervals: number): number {
    const open = () => {
      const all = new Convex().setPoint(this.floor)
      all.add(0, this.cap - this.floor)
      return all
    }
    const before = this.#sweep(open(), this.#n - intervals)
    return leastOfSum(before, this.#sweepBack(open(), intervals), this.floor, this.cap)
  }

  /** The run from a start, where no other start nearby costs less: in a convex function that is least everywhere. */
  #ifBest(start: number): Optimum | null {
    const near = 1e-4 * (this.cap - this.floor)
    const others = [start - near, start + near].filter((at) => at > this.floor && at < this.cap)
    const beside = others.map((at) => ({ at, reach: new Convex().setPoint(at), more: 0, alike: false }))
    const found = this.run(start, start, (reach, i) => {
      for (const other of beside) {
        if (other.alike) continue
        this.#forward(other.reach, i)
        if (i % 12 !== 0 || !reach.isLike(other.reach)) continue
        other.alike = true
        other.more = other.reach.base - reach.base
      }
      return beside.every(({ alike }) => alike)
    })
    const slack = 1e-11 * Math.max(1, Math.abs(found.bound))
    const beats = beside.some(({ at, reach, alike, more }) => {
      const cost = alike ? found.reach.at(at) + more : reach.at(at)
      return cost < found.bound - slack
    })
    return beats ? null : found
  }

  #search(value: (start: number) => number): number {
    const middle = goldenSection(
      (start) => -value(start),
      this.floor,
      this.cap,
      (_low, _high, step) => step === goldenSteps,
    )
    const ends = [this.floor, middle, this.cap].map((start) => ({ start, cost: value(start) }))
    return ends.reduce((best, one) => (one.cost < best.cost ? one : best)).start
  }

  #interval(i: number): Interval {
    const { yieldKwh, loadKwh, buy, sell } = this.#given
    return {
      yieldKwh: yieldKwh[i] as number,
      clippedKwh: this.#clipped ? (this.#clipped[i] as number) : 0,
      loadKwh: loadKwh[i] as number,
      buy: buy[i] as number,
      sell: sell[i] as number,
    }
  }

  /** One interval forwards: the least cost to reach each content behind it. */
  #forward(reach: Convex, i: number): IntervalCurve {
    const curve = this.#curve
    curve.set(this.#interval(i), this.#step)
    reach.low += curve.low
    reach.base += curve.base
    for (let k = 0; k < curve.count; k++) reach.add(curve.slope[k] as number, curve.length[k] as number)
    reach.cut(this.floor, this.cap)
    return curve
  }

  #sweep(reach: Convex, from: number): Convex {
    for (let i = from; i < this.#n; i++) this.#forward(reach, i)
    return reach
  }

  /** From the end: the least cost still to come from each content. */
  #sweepBack(toCome: Convex, intervals: number): Convex {
    const curve = this.#curve
    for (let i = intervals - 1; i >= 0; i--) {
      curve.set(this.#interval(i), this.#step)
      let [change, cost] = [curve.low, curve.base]
      for (let k = 0; k < curve.count; k++) {
        const length = curve.length[k] as number
        change += length
        cost += length * (curve.slope[k] as number)
        toCome.add(-(curve.slope[k] as number), length)
      }
      toCome.low -= change
      toCome.base += cost
      toCome.cut(this.floor, this.cap)
    }
    return toCome
  }

  /**
   * @param end content to end with; null lets it end where it costs least
   * @param beside runs others along, interval by interval, until it says that it is done
   */
  run(
    start: number,
    end: number | null,
    beside: (reach: Convex, i: number) => boolean = () => true,
  ): Optimum & { readonly reach: Convex } {
    const reached = new Reached(this.#n)
    const reach = new Convex().setPoint(start)
    let alone = false
    for (let i = 0; i < this.#n; i++) {
      reached.keep(reach, i)
      this.#forward(reach, i)
      alone ||= beside(reach, i)
    }
    const last = end ?? reach.least()
    return { ...this.#readBack(reached, last, reach.at(last)), reach }
  }

  #readBack(reached: Reached, end: number, bound: number): Optimum {
    const out = emptyDispatch(this.#n)
    const { exportKwh } = this.#step
    let [content, cost] = [end, 0]
    for (let i = this.#n - 1; i >= 0; i--) {
      out.storedKwh[i] = content
      const interval = this.#interval(i)
      this.#curve.set(interval, this.#step)
      const change = reached.changeTo(content, i, this.#curve)
      content -= change
      const { charged, fromClipping, discharged } = throughBattery(change, interval, this.#step)
      const outOf = discharged - (charged - fromClipping)
      const flows = flowsOf(interval, outOf, exportKwh)
      const made = Math.max(0, interval.yieldKwh)
      const used = interval.loadKwh + Math.max(0, -interval.yieldKwh)
      out.charged[i] = charged
      out.fromClipping[i] = fromClipping
      out.discharged[i] = discharged
      out.usedDirect[i] = Math.min(made, used)
      out.bought[i] = flows.bought
      out.sold[i] = flows.sold
      out.curtailed[i] = flows.curtailed
      cost += intervalCost(interval, outOf, exportKwh)
    }
    return { ...out, cost, bound }
  }
}

/** The functions before each interval, as they are needed to read the way back. */
class Reached {
  readonly #low: Float64Array
  readonly #from: Int32Array
  #slopes: Float64Array = new Float64Array(1 << 16)
  #lengths: Float64Array = new Float64Array(1 << 16)

  constructor(intervals: number) {
    this.#low = new Float64Array(intervals)
    this.#from = new Int32Array(intervals + 1)
  }

  keep(reach: Convex, i: number): void {
    const from = this.#from[i] as number
    const to = from + reach.end - reach.first
    while (to > this.#slopes.length) {
      this.#slopes = doubled(this.#slopes)
      this.#lengths = doubled(this.#lengths)
    }
    this.#low[i] = reach.low
    this.#slopes.set(reach.slope.subarray(reach.first, reach.end), from)
    this.#lengths.set(reach.length.subarray(reach.first, reach.end), from)
    this.#from[i + 1] = to
  }

  /** By how much the content changes in an interval on the cheapest way to a content behind it. */
  changeTo(content: number, i: number, curve: IntervalCurve): number {
    let [change, k, part] = [curve.low, this.#from[i] as number, 0]
    const to = this.#from[i + 1] as number
    let rest = content - (this.#low[i] as number) - curve.low
    while (rest > 0 && (k < to || part < curve.count)) {
      const own = part < curve.count ? (curve.slope[part] as number) : Infinity
      // Of equal worth the battery's own content comes first: it stays as it is.
      if (k < to && (this.#slopes[k] as number) <= own) rest -= this.#lengths[k++] as number
      else {
        const length = Math.min(rest, curve.length[part++] as number)
        change += length
        rest -= length
      }
    }
    return Math.abs(change) < still ? 0 : change
  }
}

/** Changes below this are rounding, kWh. */
const still = 1e-11

function doubled(series: Float64Array): Float64Array {
  const more = new Float64Array(2 * series.length)
  more.set(series)
  return more
}

/** Where the sum of two functions over one interval is least. */
function leastOfSum(a: Convex, b: Convex, low: number, high: number): number {
  const places = new Set([low, high])
  for (const one of [a, b]) {
    let place = one.low
    for (let k = one.first; k < one.end; k++) places.add((place += one.length[k] as number))
  }
  let [best, least] = [low, Infinity]
  for (const place of [...places].sort((x, y) => x - y)) {
    if (place < low || place > high) continue
    const sum = a.at(place) + b.at(place)
    if (sum < least - 1e-12) [best, least] = [place, sum]
  }
  return best
}
