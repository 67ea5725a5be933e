import { type MadeSpan } from './made'

/** What was promised, what the weather that was let one expect, and what was made, of the same hours, kWh. */
export interface Compared {
  readonly promisedKwh: number
  readonly expectedKwh: number
  readonly madeKwh: number
  /** Hours that are compared, of those there are. */
  readonly hours: number
}

export interface ComparedMonth extends Compared {
  readonly year: number
  /** From 0. */
  readonly month: number
  /** Of the whole month. */
  readonly hoursOfMonth: number
}

/** A day, or what of it was measured. */
export interface ComparedDay extends Compared {
  /** Since 1970. */
  readonly day: number
}

const dayHours = 24

/** Figures of an hour since 1970, kWh; NaN where they are not known. */
export interface Hourly {
  readonly promisedAt: (hour: number) => number
  readonly expectedAt: (hour: number) => number
}

/** Like with like: a span with an hour in it of which something is not known is left out, such as 29 February. */
export function comparedSpans(
  spans: readonly MadeSpan[],
  { promisedAt, expectedAt }: Hourly,
): (Compared & Pick<MadeSpan, 'fromHour'>)[] {
  return spans.flatMap(({ fromHour, hours, kwh }) => {
    let [promisedKwh, expectedKwh, known] = [0, 0, 0]
    for (let hour = fromHour; hour < fromHour + hours; hour++) {
      const [promised, expected] = [promisedAt(hour), expectedAt(hour)]
      if (Number.isNaN(promised) || Number.isNaN(expected)) continue
      promisedKwh += promised
      expectedKwh += expected
      known++
    }
    if (known === 0) return []
    // Of a month with a 29 February in it a day is not known: its share is taken off.
    return [{ fromHour, hours: known, promisedKwh, expectedKwh, madeKwh: (kwh * known) / hours }]
  })
}

const added = (a: Compared, b: Compared): Compared => ({
  promisedKwh: a.promisedKwh + b.promisedKwh,
  expectedKwh: a.expectedKwh + b.expectedKwh,
  madeKwh: a.madeKwh + b.madeKwh,
  hours: a.hours + b.hours,
})
const nothing: Compared = { promisedKwh: 0, expectedKwh: 0, madeKwh: 0, hours: 0 }

export const totalOf = (parts: readonly Compared[]): Compared => parts.reduce(added, nothing)

export function byMonths(spans: readonly (Compared & Pick<MadeSpan, 'fromHour'>)[]): ComparedMonth[] {
  const months = new Map<string, ComparedMonth>()
  for (const span of spans) {
    const at = new Date(span.fromHour * 3_600_000)
    const [year, month] = [at.getUTCFullYear(), at.getUTCMonth()]
    const known = months.get(`${year} ${month}`)
    const hoursOfMonth = new Date(Date.UTC(year, month + 1, 0)).getUTCDate() * dayHours
    months.set(`${year} ${month}`, { year, month, hoursOfMonth, ...added(known ?? nothing, span) })
  }
  return [...months.values()]
}

export function byDays(spans: readonly (Compared & Pick<MadeSpan, 'fromHour'>)[]): ComparedDay[] {
  const days = new Map<number, ComparedDay>()
  for (const span of spans) {
    const day = Math.floor(span.fromHour / dayHours)
    days.set(day, { day, ...added(days.get(day) ?? nothing, span) })
  }
  return [...days.values()]
}
