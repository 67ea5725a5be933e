import { type ComparedDay } from './compare'

/** A stretch of days over which one share of what was to be expected was made. */
export interface Stretch {
  /** First and last day, since 1970. */
  readonly fromDay: number
  readonly toDay: number
  /** Made of expected. */
  readonly share: number
  /** Of its days, kWh. */
  readonly expectedKwh: number
}

/** Days on which next to nothing was made although there was light. */
export interface Outage {
  readonly fromDay: number
  readonly toDay: number
  readonly lostKwh: number
}

export interface Course {
  readonly stretches: readonly Stretch[]
  readonly outages: readonly Outage[]
}

/** Less of the expected than this is an outage. */
const outageShare = 0.04
/** Days with less light than this share of a mean one say nothing of the system. */
const dullShare = 0.25
/** Of a day's hours so many must be known; a table of days has all. */
const leastHours = 18
/** A change is told of if it is at least so large and lasts so many days that say something. */
const leastStep = 0.03
const leastDays = 10
/** How much better two stretches must describe the days than one, in variances times the logarithm of their number. */
const penalty = 8

/**
 * Outages, and stretches between which what is made of what the weather lets one expect has changed for good. Steps are
 * sought one after the other where they take most off the weighted sum of squares (binary segmentation: Scott and Knott
 * 1974; the penalty after Yao 1988), with the days' scatter estimated from neighbours so that steps are none of it.
 */
export function courseOf(days: readonly ComparedDay[]): Course {
  const mean = days.reduce((sum, { expectedKwh }) => sum + expectedKwh, 0) / Math.max(1, days.length)
  const telling = days.filter(
    ({ expectedKwh, hours }) => hours >= leastHours && expectedKwh > dullShare * mean,
  )
  const isOut = ({ madeKwh, expectedKwh }: ComparedDay) => madeKwh < outageShare * expectedKwh
  const running = telling.filter((day) => !isOut(day))
  return {
    outages: outagesOf(days, new Set(telling.filter(isOut).map(({ day }) => day))),
    stretches: merged(split(running, scatterOf(running))),
  }
}

/** Days in a row; dull ones between two of them belong to it. */
function outagesOf(days: readonly ComparedDay[], out: ReadonlySet<number>): Outage[] {
  const found: { fromDay: number; toDay: number; lostKwh: number }[] = []
  let open: { fromDay: number; toDay: number; lostKwh: number } | null = null
  let dull = 0
  for (const { day, expectedKwh, madeKwh } of days) {
    const lost = expectedKwh - madeKwh
    if (out.has(day)) {
      if (!open) {
        open = { fromDay: day, toDay: day, lostKwh: 0 }
        found.push(open)
      }
      open.toDay = day
      open.lostKwh += dull + lost
      dull = 0
    } else if (open && madeKwh < outageShare * Math.max(expectedKwh, 0.1)) dull += lost
    else {
      open = null
      dull = 0
    }
  }
  return found
}

interface Weighed {
  readonly days: readonly ComparedDay[]
  readonly share: number
  readonly weight: number
  readonly squares: number
}

/** The share that fits some days best, and what is left over: shares weighed by the light of their days. */
function weighed(days: readonly ComparedDay[]): Weighed {
  let [weight, sum, squares] = [0, 0, 0]
  for (const { madeKwh, expectedKwh } of days) {
    weight += expectedKwh
    sum += madeKwh
    squares += (madeKwh * madeKwh) / expectedKwh
  }
  return { days, share: weight === 0 ? 0 : sum / weight, weight, squares: squares - (sum * sum) / weight }
}

/** Weighted variance of a day's share, from its distance to the day before: a step is in one of them alone. */
function scatterOf(days: readonly ComparedDay[]): number {
  const distances = days
    .slice(1)
    .map((day, i) => {
      const before = days[i] ?? day
      const weight = 1 / (1 / day.expectedKwh + 1 / before.expectedKwh)
      return (day.madeKwh / day.expectedKwh - before.madeKwh / before.expectedKwh) ** 2 * weight
    })
    .sort((a, b) => a - b)
  // The median of a squared normal deviate is 0.455.
  return (distances[Math.floor(distances.length / 2)] ?? 0) / 0.455
}

function split(days: readonly ComparedDay[], variance: number): Weighed[] {
  const whole = weighed(days)
  if (days.length < 2 * leastDays) return days.length === 0 ? [] : [whole]
  let best = { gain: 0, at: 0 }
  let [weight, sum] = [0, 0]
  const [allWeight, allSum] = [whole.weight, whole.share * whole.weight]
  days.forEach(({ madeKwh, expectedKwh }, i) => {
    if (i >= leastDays && i <= days.length - leastDays) {
      const [a, b] = [sum / weight, (allSum - sum) / (allWeight - weight)]
      // What two means take off the squares.
      const gain = ((weight * (allWeight - weight)) / allWeight) * (a - b) ** 2
      if (gain > best.gain) best = { gain, at: i }
    }
    weight += expectedKwh
    sum += madeKwh
  })
  if (best.gain <= penalty * Math.max(variance, 1e-9) * Math.log(days.length)) return [whole]
  return [...split(days.slice(0, best.at), variance), ...split(days.slice(best.at), variance)]
}

/** Neighbours that differ by too little to speak of become one. */
function merged(parts: readonly Weighed[]): Stretch[] {
  const left = [...parts]
  for (;;) {
    const steps = left.slice(1).map((part, i) => Math.abs(part.share - (left[i]?.share ?? 0)))
    const least = steps.reduce((found, step, i) => (step < (steps[found] ?? Infinity) ? i : found), 0)
    const [a, b] = [left[least], left[least + 1]]
    if (!a || !b || (steps[least] ?? 1) >= leastStep) break
    left.splice(least, 2, weighed([...a.days, ...b.days]))
  }
  return left.map(({ days, share, weight }) => ({
    fromDay: days[0]?.day ?? 0,
    toDay: days.at(-1)?.day ?? 0,
    share,
    expectedKwh: weight,
  }))
}
