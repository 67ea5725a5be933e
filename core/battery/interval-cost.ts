import { caughtOf, outBeside, type BatteryLimits } from './limits'

/** A battery's limits in one interval, kWh on the AC side, and what passes through. */
export interface BatteryStep extends BatteryLimits {
  readonly chargeEfficiency: number
  readonly dischargeEfficiency: number
  /** Of what comes from the grid. */
  readonly gridEfficiency: number
  /** Most that may go out; infinite without a limit. */
  readonly exportKwh: number
  readonly gridCharging: boolean
}

/** An interval as a battery meets it: kWh and money per kWh. */
export interface Interval {
  readonly yieldKwh: number
  /** What would be clipped, and the battery can take. */
  readonly clippedKwh: number
  readonly loadKwh: number
  readonly buy: number
  readonly sell: number
}

/**
 * Money that an interval costs with `out` from the battery, kWh on the AC side, below zero into it. What the limit
 * keeps from going out is curtailed; so is yield that would have to be paid for to go out.
 */
export function intervalCost(interval: Omit<Interval, 'clippedKwh'>, out: number, exportKwh: number): number {
  const { bought, sold } = flowsOf(interval, out, exportKwh)
  return bought * interval.buy - sold * interval.sell
}

export function flowsOf(
  { yieldKwh, loadKwh, sell }: Pick<Interval, 'yieldKwh' | 'loadKwh' | 'sell'>,
  out: number,
  exportKwh: number,
): { readonly bought: number; readonly sold: number; readonly curtailed: number } {
  const over = yieldKwh - loadKwh + out
  if (over <= 0) return { bought: over < 0 ? -over : 0, sold: 0, curtailed: 0 }
  const unwanted = sell < 0 ? Math.min(over, Math.max(0, yieldKwh)) : 0
  const sold = Math.min(over - unwanted, exportKwh)
  return { bought: 0, sold, curtailed: over - sold }
}

/** What goes in of what would be clipped at most. */
const caught = ({ clippedKwh }: Interval, step: BatteryStep): number => caughtOf(clippedKwh, step, Infinity)

/** What goes in of the yield at most, beside what would be clipped. */
const sunIn = (yieldKwh: number, caughtKwh: number, step: BatteryStep): number =>
  yieldKwh > 0 ? Math.min(yieldKwh, step.chargeMost - caughtKwh) : 0

/** The same of the grid, beside all of the sun's. */
function gridIn(caughtKwh: number, ofSun: number, step: BatteryStep): number {
  if (!step.gridCharging) return 0
  const left = step.chargeMost - caughtKwh - ofSun
  return Math.min((left * step.chargeEfficiency) / step.gridEfficiency, step.inverterMost)
}

/** Whether what comes from the grid is stored as well as what comes from the sun. */
const storesAlike = ({ gridEfficiency, chargeEfficiency }: BatteryStep): boolean =>
  gridEfficiency === chargeEfficiency

/** What passes the battery where the energy inside changes by so much. */
export function throughBattery(
  change: number,
  interval: Interval,
  step: BatteryStep,
): { readonly charged: number; readonly fromClipping: number; readonly discharged: number } {
  if (change <= 0)
    return { charged: 0, fromClipping: 0, discharged: change < 0 ? -change * step.dischargeEfficiency : 0 }
  const bySun = change / step.chargeEfficiency
  if (storesAlike(step) && interval.clippedKwh === 0)
    return { charged: bySun, fromClipping: 0, discharged: 0 }
  const caughtKwh = caught(interval, step)
  const fromClipping = Math.min(bySun, caughtKwh)
  const beside = bySun - fromClipping
  const ofSun = Math.min(beside, sunIn(interval.yieldKwh, caughtKwh, step))
  const ofGrid = ((beside - ofSun) * step.chargeEfficiency) / step.gridEfficiency
  return { charged: fromClipping + ofSun + ofGrid, fromClipping, discharged: 0 }
}

/**
 * What an interval costs by how much the energy inside the battery changes, from `low` on: the lower convex hull of the
 * true cost, which it is itself wherever power bought costs no less than power sold and neither is below zero.
 */
export class IntervalCurve {
  /** Greatest fall of the energy inside, as a change; and the cost with it. */
  low = 0
  base = 0
  count = 0
  readonly slope = new Float64Array(8)
  readonly length = new Float64Array(8)
  /** Whether the hull is the cost itself. */
  exact = true

  readonly #at = new Float64Array(8)
  readonly #cost = new Float64Array(8)
  #points = 0
  /** Of the interval: what goes in at most of what would be clipped, and of the yield. */
  #caught = 0
  #ofSun = 0

  set(interval: Interval, step: BatteryStep): void {
    const { yieldKwh, clippedKwh, loadKwh, sell } = interval
    const made = Math.max(0, yieldKwh)
    const used = loadKwh + Math.max(0, -yieldKwh)
    const most = Math.min(outBeside(step, yieldKwh, clippedKwh), used + step.exportKwh)
    this.#caught = caught(interval, step)
    this.#ofSun = sunIn(yieldKwh, this.#caught, step)
    const least = -(this.#ofSun + gridIn(this.#caught, this.#ofSun, step))
    const over = yieldKwh - loadKwh
    // Where the price changes, in kWh out of the battery, from the most to the least.
    const even = -over
    const full = (sell < 0 ? made : step.exportKwh) - over
    this.#points = 0
    this.#add(most, interval, step)
    if (full < most - tiny && full > Math.max(0, least) + tiny) this.#add(full, interval, step)
    if (even < most - tiny && even > tiny) this.#add(even, interval, step)
    if (most > tiny && least < -tiny) this.#add(0, interval, step)
    if (clippedKwh > 0) this.#add(0, interval, step, true)
    if (full < -tiny && full > least + tiny) this.#add(full, interval, step)
    if (even < -tiny && even > least + tiny) this.#add(even, interval, step)
    if (!storesAlike(step) && this.#ofSun > tiny && -this.#ofSun > least + tiny)
      this.#add(-this.#ofSun, interval, step)
    if (least < most - tiny) this.#add(least, interval, step)
    this.#hull(this.#points)
  }

  /** @param full whether what would be clipped is in the battery: less than all of it is, where nothing else goes in */
  #add(out: number, interval: Interval, step: BatteryStep, full = out < 0): void {
    const at = this.#points++
    this.#at[at] = out > 0 ? -out / step.dischargeEfficiency : this.#stored(-out, full, step)
    this.#cost[at] = intervalCost(interval, out, step.exportKwh)
  }

  /** What is stored of so much beside what would be clipped, and of that. */
  #stored(beside: number, full: boolean, step: BatteryStep): number {
    const over = full ? this.#caught : 0
    if (storesAlike(step)) return (over + beside) * step.chargeEfficiency
    const ofSun = Math.min(beside, this.#ofSun)
    return (over + ofSun) * step.chargeEfficiency + (beside - ofSun) * step.gridEfficiency
  }

  #hull(points: number): void {
    const [at, cost] = [this.#at, this.#cost]
    this.low = at[0] as number
    this.base = cost[0] as number
    this.exact = true
    let n = 0
    for (let p = 1; p < points; p++) {
      let from = p - 1
      let length = (at[p] as number) - (at[from] as number)
      if (length < tiny) continue
      let rise = (cost[p] as number) - (cost[from] as number)
      while (n > 0 && rise / length < (this.slope[n - 1] as number) - flat) {
        n--
        from--
        rise += (this.slope[n] as number) * (this.length[n] as number)
        length += this.length[n] as number
        this.exact = false
      }
      this.slope[n] = rise / length
      this.length[n] = length
      n++
    }
    this.count = n
  }
}

const tiny = 1e-12
/** Differences of prices that are rounding. */
const flat = 1e-12
