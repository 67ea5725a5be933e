import { madeLikelihood } from '../load/meter/columns'
import { inOrder } from '../load/meter/in-order'
import { type MeterProblem, type RawReadings } from '../load/meter/reading'
import { tableReadings } from '../load/meter/table'
import { Fault } from '../model/fault'
import { readTable } from '../weather/csv-table'

/** What was made in a span of time. */
export interface MadeSpan {
  /** Hours since 1970 by the clock of the file, in standard time where it keeps daylight saving. */
  readonly fromHour: number
  readonly hours: number
  readonly kwh: number
}

/** What modules have made, as far as somebody measured it; spans in their order, none of them twice. */
export interface Made {
  readonly by: 'hours' | 'days' | 'months'
  readonly spans: readonly MadeSpan[]
  readonly problems: readonly MeterProblem[]
}

const dayMinutes = 1440
const dayHours = 24
/** Tables of monitoring have much beside times and values. */
const dataShare = 0.25
/** Years of days: more is another thing. */
const mostSpans = 20_000

/**
 * What modules have made, from a table of a meter or of monitoring: rows of intervals, days or months.
 * @param column heading of the column to take; the likeliest where it is not given
 * @throws Fault `meter-file`, `made-step`, `made-none`, and those of `readTable`
 */
export function readMade(text: string, column: string | null = null): Made {
  const raw = tableReadings(readTable(withDays(text), dataShare), column, madeLikelihood)
  if (raw.stepMinutes < dayMinutes) return hourly(raw)
  const by = raw.stepMinutes === dayMinutes ? 'days' : isMonth(raw.stepMinutes) ? 'months' : null
  if (by === null) throw new Fault('made-step', { hours: raw.stepMinutes / 60 })
  return { by, spans: whole(raw, by), problems: raw.problems }
}

const isMonth = (minutes: number) => minutes >= 28 * dayMinutes && minutes <= 31 * dayMinutes

/** A date of numbers at the head of a line. */
const dated = /^(["']?)(\d{1,2})[/.-](\d{1,2})[/.-](\d{4})(?=["']?[;,\t|])/gm

/**
 * Months as days that they begin on: a year and a month, and dates that are all the first of one, whichever comes first
 * in them. A few days of January would look the same, but nobody asks about a year by them.
 */
function withDays(text: string): string {
  const dates = [...text.matchAll(dated)].map(([, , a, b]) => [Number(a), Number(b)] as const)
  const enough = dates.length > 2
  const isMonth = (value: number) => value >= 1 && value <= 12
  const named =
    enough && dates.every(([a, b]) => isMonth(a) && b === 1)
      ? text.replaceAll(dated, '$1$4-$2-01')
      : enough && dates.every(([a, b]) => a === 1 && isMonth(b))
        ? text.replaceAll(dated, '$1$4-$3-01')
        : text
  return named.replaceAll(/^(["']?)(\d{4})[-/](0?[1-9]|1[0-2])(["']?)(?=[;,\t|])/gm, '$1$2-$3-01$4')
}

/** Sums of whole hours; an hour with a gap in it is none. */
function hourly(raw: RawReadings): Made {
  const { start, stepMinutes, kwh, measured, problems } = inOrder(raw)
  const perHour = 60 / stepMinutes
  const lead = (perHour - (Math.round(start / stepMinutes) % perHour)) % perHour
  const spans: MadeSpan[] = []
  for (let i = lead; i + perHour <= kwh.length; i += perHour) {
    let [sum, known] = [0, 0]
    for (let k = i; k < i + perHour; k++) {
      sum += kwh[k] ?? 0
      known += measured[k] ?? 0
    }
    if (known === perHour)
      spans.push({ fromHour: Math.round((start + i * stepMinutes) / 60), hours: 1, kwh: sum })
  }
  if (spans.length === 0) throw new Fault('made-none')
  // Night after night nothing is made, and what is filled in is not counted.
  return { by: 'hours', spans, problems: problems.filter(({ code }) => code !== 'silent' && code !== 'gaps') }
}

/** Rows of days or months; a day that comes twice counts once. */
function whole({ readings }: RawReadings, by: 'days' | 'months'): MadeSpan[] {
  const found = new Map<number, MadeSpan>()
  for (const { start, kwh } of readings) {
    const day = Math.floor(start / dayMinutes)
    const at = new Date(day * 86_400_000)
    if (Number.isNaN(kwh) || (by === 'months' && at.getUTCDate() !== 1)) continue
    const days =
      by === 'days' ? 1 : new Date(Date.UTC(at.getUTCFullYear(), at.getUTCMonth() + 1, 0)).getUTCDate()
    const fromHour = day * dayHours
    if (!found.has(fromHour)) found.set(fromHour, { fromHour, hours: days * dayHours, kwh: Math.max(0, kwh) })
  }
  const spans = [...found.values()].sort((a, b) => a.fromHour - b.fromHour)
  if (spans.length === 0) throw new Fault('made-none')
  if (spans.length > mostSpans)
    throw new Fault('meter-file', { reason: 'long', limit: mostSpans, found: spans.length })
  return spans
}
