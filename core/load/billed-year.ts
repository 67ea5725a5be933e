import { type CustomerBill } from '../kinds/load/load'
import { dayCount, dayOfModelYear } from '../model/day'
import { monthOfDay } from '../model/model-year'

const yearDays = 365

/** Days since 1970, both within. */
export interface DaySpan {
  readonly from: number
  readonly to: number
}

/** A bill with the days that are its own. */
export interface BilledSpan extends DaySpan {
  /** Its place among the bills. */
  readonly index: number
  readonly kwh: number
}

/** A year's consumption as bills have it. */
export interface BilledYear {
  readonly annualKwh: number
  /** January first. */
  readonly byMonth: readonly number[]
  /** Days of the year that no bill has, filled by the shape at the height of those that one has. */
  readonly filledDays: number
  /** Days between two bills that neither has, in the calendar. */
  readonly gaps: readonly DaySpan[]
  /** Days that two bills have. */
  readonly overlaps: readonly DaySpan[]
  /** What is used each day of the month that uses the least a day, kWh. */
  readonly basePerDay: number
  /** What each month uses over it. */
  readonly overBase: readonly number[]
}

/**
 * Bills that have their energy by their first day, with the days that are their own: a day on which one ends and the
 * next begins, when the meter was read, is the latter's.
 */
export function spansOf(bills: readonly Pick<CustomerBill, 'from' | 'to' | 'kwh'>[]): BilledSpan[] {
  const spans = bills
    .flatMap(({ from, to, kwh }, index) =>
      kwh === null ? [] : [{ from: dayCount(from), to: dayCount(to), kwh, index }],
    )
    .sort((a, b) => a.from - b.from || a.to - b.to)
  const begins = new Map(spans.map(({ from, index }) => [from, index]))
  return spans.map((span) => {
    const next = begins.get(span.to)
    const isRead = span.to > span.from && next !== undefined && next !== span.index
    return isRead ? { ...span, to: span.to - 1 } : span
  })
}

/**
 * What bills of any days come to in a year: within each the energy follows the shape from day to day; a day of the year
 * that several have is their mean; days that none has follow the shape at the height of all others.
 * @param dayShape proportions of the model year's 365 days
 * @returns null without any bill that has its energy
 */
export function billedYear(
  bills: readonly Pick<CustomerBill, 'from' | 'to' | 'kwh'>[],
  dayShape: Float64Array,
): BilledYear | null {
  const spans = spansOf(bills)
  if (spans.length === 0) return null
  const [sums, counts] = [new Float64Array(yearDays), new Float64Array(yearDays)]
  for (const { from, to, kwh } of spans) {
    const days = Array.from({ length: to - from + 1 }, (_, k) => dayOfModelYear(from + k))
    const parts = partsOf(days.map((day) => dayShape[day] ?? 0))
    days.forEach((day, k) => {
      sums[day] = (sums[day] as number) + kwh * (parts[k] ?? 0)
      counts[day] = (counts[day] as number) + 1
    })
  }
  const daily = sums.map((sum, day) => (counts[day] ? sum / counts[day] : 0))
  const filledDays = fill(daily, counts, dayShape)
  const byMonth = new Array<number>(12).fill(0)
  const days = new Array<number>(12).fill(0)
  daily.forEach((kwh, day) => {
    const month = monthOfDay(day)
    byMonth[month] = (byMonth[month] ?? 0) + kwh
    days[month] = (days[month] ?? 0) + 1
  })
  const basePerDay = Math.min(...byMonth.map((kwh, m) => kwh / (days[m] ?? 1)))
  return {
    annualKwh: daily.reduce((all, kwh) => all + kwh, 0),
    byMonth,
    filledDays,
    ...seams(spans),
    basePerDay,
    overBase: byMonth.map((kwh, m) => Math.max(0, kwh - basePerDay * (days[m] ?? 0))),
  }
}

/** Shares that add up to one; even ones where there is nothing to go by. */
function partsOf(weights: readonly number[]): number[] {
  const sum = weights.reduce((all, weight) => all + weight, 0)
  return weights.map((weight) => (sum > 0 ? weight / sum : 1 / weights.length))
}

/** @returns how many days were filled */
function fill(daily: Float64Array, counts: Float64Array, dayShape: Float64Array): number {
  const covered = [...daily.keys()].filter((day) => counts[day])
  const known = covered.reduce((all, day) => all + (daily[day] ?? 0), 0)
  const shaped = covered.reduce((all, day) => all + (dayShape[day] ?? 0), 0)
  for (const day of daily.keys())
    if (!counts[day])
      daily[day] = shaped > 0 ? (known * (dayShape[day] ?? 0)) / shaped : known / covered.length
  return daily.length - covered.length
}

/** Where days between two are missing or come twice. */
function seams(spans: readonly DaySpan[]): Pick<BilledYear, 'gaps' | 'overlaps'> {
  const [gaps, overlaps]: [DaySpan[], DaySpan[]] = [[], []]
  let end = spans[0]?.to ?? 0
  for (const { from, to } of spans.slice(1)) {
    if (from > end + 1) gaps.push({ from: end + 1, to: from - 1 })
    if (from <= end) overlaps.push({ from, to: Math.min(to, end) })
    end = Math.max(end, to)
  }
  return { gaps, overlaps }
}
