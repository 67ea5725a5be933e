import { type BatteryRun, type HouseYear } from './battery-run'
import { emptyDispatch, dispatchOwnUse } from './own-use'
import { scaledYield } from './scaled-yield'
import { withStandby } from './standby'

/** A house that has no grid. */
export interface OffGridCase extends Omit<HouseYear, 'exportLimitKw' | 'startKwh'> {
  /** 0 to 11 of each interval. */
  readonly month: ArrayLike<number>
}

/** What an array and a battery make of a house that has no grid. */
export interface OffGrid {
  /** Share of the hours in which all that the house wants is there. */
  readonly servedShare: number
  readonly unservedKwh: number
  /** kWh, January first. */
  readonly unservedByMonth: readonly number[]
  /** The longest stretch in which something is missing all the time: its first interval and its hours; 0 where nothing is. */
  readonly longest: { readonly first: number; readonly hours: number }
  /** How many times the array, its inverter with it, the wanted share would take; null where no array does it. */
  readonly arrayTimes: number | null
  /** kWh in each interval. */
  readonly missing: Float32Array
  /** The least generator that serves the wanted share beside array and battery, and what it gives in a year. */
  readonly generator: { readonly kw: number; readonly kwh: number; readonly hours: number }
}

/** Arrays are tried up to so many times what is laid. */
export const mostTimes = 20
/** They are told as closely as this. */
const timesStep = 0.01
/** What is missing in an interval and is less counts for nothing, kWh. */
const tiny = 1e-6

/**
 * A year without grid: the sun serves the house and fills the battery, which serves it in turn down to nothing; the
 * reserve is used. It ends as it begins. A generator gives what is still missing as far as it can, and fills no battery.
 * @param wanted share of hours that shall be served, 0 to 1
 */
export function offGrid(asked: OffGridCase, battery: BatteryRun | null, wanted: number): OffGrid {
  const given = withStandby(asked, battery)
  const n = given.yieldKwh.length
  const made = new Float64Array(n)
  const clipped = new Float64Array(n)
  const into = emptyDispatch(n)
  /** What is missing with the array so many times as large; overwritten by the next. */
  const missing = (times: number): Float64Array => {
    scaledYield(given.yieldKwh, times, made)
    const year = { ...given, yieldKwh: made, exportLimitKw: null, startKwh: null }
    if (given.clippedKwh) {
      scaledYield(given.clippedKwh, times, clipped)
      year.clippedKwh = clipped
    }
    return dispatchOwnUse(year, wholeOf(battery, times), into).bought
  }
  /** Intervals that may go unserved. */
  const allowed = Math.floor((1 - wanted) * n + 1e-9)
  const plain = missing(1).slice()
  return {
    ...unservedOf(plain, given),
    missing: Float32Array.from(plain),
    generator: generatorOf(plain, allowed, given.stepHours),
    arrayTimes: leastTimes((times) => countOver(missing(times), tiny) <= allowed),
  }
}

/** All that a battery holds, behind an inverter that grows with the array. */
function wholeOf(battery: BatteryRun | null, times: number): BatteryRun | null {
  if (!battery) return null
  const { dcSide, ...own } = battery
  const grown = dcSide && { ...dcSide, inverterKw: dcSide.inverterKw * times }
  return { ...own, reserve: 0, ...(grown ? { dcSide: grown } : {}) }
}

const countOver = (series: Float64Array, least: number): number => {
  let count = 0
  for (let i = 0; i < series.length; i++) if ((series[i] as number) > least) count++
  return count
}

/** The least array that does it: more of it never serves less. */
function leastTimes(does: (times: number) => boolean): number | null {
  const at = (step: number) => step * timesStep
  let [low, high] = [-1, Math.round(mostTimes / timesStep)]
  if (!does(at(high))) return null
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (does(at(middle))) high = middle
    else low = middle
  }
  return at(high)
}

function unservedOf(
  missing: Float64Array,
  { month, stepHours }: OffGridCase,
): Pick<OffGrid, 'servedShare' | 'unservedKwh' | 'unservedByMonth' | 'longest'> {
  const byMonth = new Array<number>(12).fill(0)
  let longest = { first: 0, hours: 0 }
  let run = 0
  missing.forEach((kwh, i) => {
    const m = month[i] ?? 0
    byMonth[m] = (byMonth[m] ?? 0) + kwh
  })
  // Twice round: what is missing over New Year is one stretch, and what is missing always is as long as the year.
  const n = missing.length
  for (let i = 0; i < 2 * n; i++) {
    run = (missing[i % n] as number) > tiny ? Math.min(n, run + 1) : 0
    if (run * stepHours > longest.hours) longest = { first: (i - run + 1) % n, hours: run * stepHours }
  }
  return {
    servedShare: missing.length > 0 ? 1 - countOver(missing, tiny) / missing.length : 0,
    unservedKwh: byMonth.reduce((sum, kwh) => sum + kwh, 0),
    unservedByMonth: byMonth,
    longest,
  }
}

/** What it gives is never stored: what is missing at one hour does not hang on what it gave at another. */
function generatorOf(missing: Float64Array, allowed: number, stepHours: number): OffGrid['generator'] {
  const sorted = missing.slice().sort()
  const most = sorted[sorted.length - 1 - allowed] ?? 0
  if (most <= tiny) return { kw: 0, kwh: 0, hours: 0 }
  let kwh = 0
  for (const one of missing) kwh += Math.min(one, most)
  return { kw: most / stepHours, kwh, hours: countOver(missing, tiny) * stepHours }
}
