import { gatheredAhead } from './day-ahead'
import { type DispatchCase } from './optimum'
import { caughtOf, clippedFor, gridEfficiency, limitsOf, outBeside, type BatteryLimits } from './limits'
import { type BatteryRun } from './battery-run'
import { emptyDispatch, type Dispatch } from './own-use'
import { roundYear } from './round-year'

/** Which hours a month's highest power is counted in; one entry an interval. */
export interface CountedHours {
  /** 1 where it is counted. */
  readonly counts: Uint8Array
  /** 0..11 */
  readonly month: Uint8Array
}

const months = 12
/** What the next counted hours will need is taken to be what they needed the day before. */
const aheadHours = 24

/** Limits that are tried, as shares of what the month's highest power is without the battery; then those about the best of them. */
const coarse = Array.from({ length: 11 }, (_, k) => k / 10)
const fine = [-0.075, -0.05, -0.025, 0.025, 0.05, 0.075]
/** Peaks that differ by less are one, kWh. */
const same = 1e-6

/**
 * The highest power first: in the hours that count the battery gives only what the house needs over a limit, of each month its
 * own; in all others it serves the house, but keeps what those hours needed the day before and the sun will not bring. It
 * is filled by the sun, and where that is allowed from the grid as long as that stays under the limit. The limits are
 * those of the ones tried that leave the lowest power in the year: of equal ones the highest.
 * @param out overwritten by it
 */
export function dispatchPeaks(
  given: DispatchCase,
  battery: BatteryRun,
  hours: CountedHours,
  out: Dispatch = emptyDispatch(given.yieldKwh.length),
): Dispatch {
  const year = new ShavedYear(given, battery, hours)
  const limits = year.bestLimits()
  const kept = year.keptFor(limits)
  const run = (startKwh: number) => year.run(limits, kept, startKwh, out)
  return given.startKwh === null ? roundYear(battery, run) : run(given.startKwh)
}

/** The highest counted energy of an interval in each month, kWh. */
export function peaksOf(boughtKwh: Float64Array, { counts, month }: CountedHours): number[] {
  const peaks = new Array<number>(months).fill(0)
  for (let i = 0; i < boughtKwh.length; i++) {
    const m = month[i] as number
    if (counts[i] === 1 && (boughtKwh[i] as number) > (peaks[m] as number)) peaks[m] = boughtKwh[i] as number
  }
  return peaks
}

/** A year whose highest power is kept to limits, run as often as it takes to find them. */
class ShavedYear {
  readonly #given: DispatchCase
  readonly #battery: BatteryRun
  readonly #hours: CountedHours
  /** What the house needs beside the yield; below zero where more is made. */
  readonly #need: Float64Array
  readonly #limits: BatteryLimits
  readonly #clipped: Float64Array | null
  readonly #ahead: number
  /** What the next hours want of the battery, by interval; written by each run. */
  readonly #change: Float64Array

  constructor(given: DispatchCase, battery: BatteryRun, hours: CountedHours) {
    this.#given = given
    this.#battery = battery
    this.#hours = hours
    this.#limits = limitsOf(battery, given.stepHours)
    this.#clipped = clippedFor(battery, given)
    this.#need = given.loadKwh.slice()
    for (let i = 0; i < this.#need.length; i++)
      this.#need[i] = (this.#need[i] as number) - (given.yieldKwh[i] as number)
    this.#ahead = Math.round(aheadHours / given.stepHours)
    this.#change = new Float64Array(this.#need.length + this.#ahead + 1)
  }

  /** Of each month, kWh in an interval. */
  bestLimits(): number[] {
    const bare = peaksOf(this.#need, this.#hours)
    const limits = bare.map(() => Infinity)
    const reached = bare.map(() => Infinity)
    const share = bare.map(() => 1)
    const tryAll = (level: (month: number) => number) => {
      const tried = bare.map((peak, m) => peak * level(m))
      this.#peaks(tried).forEach((peak, m) => {
        const isLower = peak < (reached[m] as number) - same
        const isSame = peak < (reached[m] as number) + same && (tried[m] as number) > (limits[m] as number)
        if (!isLower && !isSame) return
        reached[m] = Math.min(peak, reached[m] as number)
        limits[m] = tried[m] as number
        share[m] = level(m)
      })
    }
    for (const level of coarse) tryAll(() => level)
    const about = [...share]
    for (const off of fine) tryAll((m) => Math.max(0, Math.min(1, (about[m] as number) + off)))
    return limits
  }

  /**
   * @param kept for them
   * @param startKwh inside at the start
   */
  run(limits: readonly number[], kept: Float64Array, startKwh: number, out: Dispatch): Dispatch {
    const { yieldKwh, loadKwh, stepHours, exportLimitKw } = this.#given
    const exportKwh = exportLimitKw === null ? Infinity : exportLimitKw * stepHours
    this.#store(limits, kept, startKwh, out)
    for (let i = 0; i < this.#need.length; i++) {
      const made = yieldKwh[i] as number
      const charged = (out.charged[i] as number) - (out.fromClipping[i] as number)
      const over = (out.discharged[i] as number) - charged - (this.#need[i] as number)
      out.usedDirect[i] = Math.min(Math.max(0, made), (loadKwh[i] as number) + Math.max(0, -made))
      out.bought[i] = Math.max(0, -over)
      const sold = Math.min(Math.max(0, over), exportKwh)
      out.sold[i] = sold
      out.curtailed[i] = Math.max(0, over) - sold
    }
    return out
  }

  /** The peaks that limits leave, from a full battery on. */
  #peaks(limits: readonly number[]): Float64Array {
    return this.#store(limits, this.keptFor(limits), this.#battery.usableKwh, null)
  }

  /**
   * What goes into the battery and out of it.
   * @param out hears of it, where somebody asks
   * @returns the highest counted energy of an interval in each month, kWh
   */
  #store(
    limits: readonly number[],
    kept: Float64Array,
    startKwh: number,
    out: Pick<Dispatch, 'charged' | 'fromClipping' | 'discharged' | 'storedKwh'> | null,
  ): Float64Array {
    const peaks = new Float64Array(months)
    const { gridCharging, yieldKwh } = this.#given
    const { usableKwh, reserve, chargeEfficiency, dischargeEfficiency } = this.#battery
    const battery = this.#limits
    const gridStores = gridEfficiency(this.#battery)
    const clipped = this.#clipped
    const { counts, month } = this.#hours
    const floor = usableKwh * reserve
    const ofYear = this.#need
    let stored = Math.max(floor, Math.min(usableKwh, startKwh))
    for (let i = 0; i < ofYear.length; i++) {
      const need = ofYear[i] as number
      const isCounted = counts[i] === 1
      const limit = isCounted ? (limits[month[i] as number] as number) : Infinity
      const made = Math.max(0, yieldKwh[i] as number)
      const spilt = clipped ? (clipped[i] as number) : 0
      const room = (usableKwh - stored) / chargeEfficiency
      const fromClipping = caughtOf(spilt, battery, room)
      const most = Math.min(battery.chargeMost, room) - fromClipping
      const ahead = kept[i] as number
      // Of the sun, and then of the grid.
      let charged = 0
      let filled = 0
      let discharged = 0
      if (need < 0) charged = Math.min(-need, most)
      else {
        const free = stored - floor - (isCounted ? 0 : ahead)
        const wanted = isCounted ? need - limit : need
        const mostOut = outBeside(battery, made, spilt)
        discharged = Math.max(0, Math.min(wanted, mostOut, free * dischargeEfficiency))
      }
      if (gridCharging && discharged === 0) {
        const missing = (ahead - (stored - floor)) / chargeEfficiency - fromClipping - charged
        const under = Math.max(0, limit - Math.max(0, need))
        const more = Math.max(0, Math.min(missing, most - charged))
        const ofSun = Math.min(more, made - charged, under)
        charged += ofSun
        filled = Math.min(
          ((more - ofSun) * chargeEfficiency) / gridStores,
          battery.inverterMost,
          under - ofSun,
        )
      }
      stored +=
        (fromClipping + charged) * chargeEfficiency + filled * gridStores - discharged / dischargeEfficiency
      if (isCounted) {
        const bought = need + charged + filled - discharged
        const m = month[i] as number
        if (bought > (peaks[m] as number)) peaks[m] = bought
      }
      if (!out) continue
      out.charged[i] = fromClipping + charged + filled
      out.fromClipping[i] = fromClipping
      out.discharged[i] = discharged
      out.storedKwh[i] = stored
    }
    return peaks
  }

  /** Energy over the reserve that the counted hours of the next day will want, by the day before, at the end of each interval. */
  keptFor(limits: readonly number[]): Float64Array {
    const { usableKwh, reserve, chargeEfficiency, dischargeEfficiency } = this.#battery
    const { chargeMost: into, dischargeMost, inverterMost } = this.#limits
    const outOf = Math.min(dischargeMost, inverterMost)
    const clipped = this.#clipped
    const { counts, month } = this.#hours
    const [ofYear, changes] = [this.#need, this.#change]
    const n = ofYear.length
    let before = ((-this.#ahead % n) + n) % n
    for (let j = 0, at = 0; j < changes.length; j++) {
      const need = ofYear[before] as number
      const spilt = clipped ? (clipped[before] as number) : 0
      let change = 0
      if (need < 0 || spilt > 0) change = -Math.min(Math.max(0, -need) + spilt, into) * chargeEfficiency
      else if (counts[at] === 1) {
        const over = need - (limits[month[at] as number] as number)
        if (over > 0) change = Math.min(over, outOf) / dischargeEfficiency
      }
      changes[j] = change
      before = before + 1 === n ? 0 : before + 1
      at = at + 1 === n ? 0 : at + 1
    }
    return gatheredAhead(changes, this.#ahead, usableKwh * (1 - reserve))
  }
}
