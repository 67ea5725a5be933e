import { mostKept, productionId, type Production } from '../kinds/production/production'
import { packed, unpacked } from '../model/sixteen-bits'
import { type Made, type MadeSpan } from './made'

const dayHours = 24
const hourMs = 3_600_000
/** What stands for a span that nobody measured. */
const nothing = 0xffff

/** The calendar month that an hour is in, from January 1970. */
const monthAt = (hour: number): number => {
  const at = new Date(hour * hourMs)
  return (at.getUTCFullYear() - 1970) * 12 + at.getUTCMonth()
}
const hourOfMonth = (month: number) => Date.UTC(1970, month) / hourMs

/** How spans of a grain are counted, from 1970 on. */
const counted: Readonly<
  Record<Made['by'], { readonly at: (hour: number) => number; readonly hourOf: (n: number) => number }>
> = {
  hours: { at: (hour) => hour, hourOf: (n) => n },
  days: { at: (hour) => Math.floor(hour / dayHours), hourOf: (n) => n * dayHours },
  months: { at: monthAt, hourOf: hourOfMonth },
}

/**
 * What was made as a job keeps it, to a 65,000th of the greatest; of more than can be kept the latest.
 * @param made with one span at least
 * @param name of the file
 * @returns with the number of spans that are too old to be kept
 */
export function kept(
  { by, spans }: Pick<Made, 'by' | 'spans'>,
  name: string,
): { readonly production: Production; readonly leftOut: number } {
  const { at, hourOf } = counted[by]
  const last = at(spans.at(-1)?.fromHour ?? 0)
  const first = Math.max(at(spans[0]?.fromHour ?? 0), last - mostKept + 1)
  const taken = spans.filter(({ fromHour }) => at(fromHour) >= first)
  const greatest = taken.reduce((high, { kwh }) => Math.max(high, kwh), 0)
  const unitWh = Math.max(1, Math.ceil((greatest * 1000) / (nothing - 1)))
  const values = new Uint16Array(last - first + 1).fill(nothing)
  for (const { fromHour, kwh } of taken)
    values[at(fromHour) - first] = Math.round((Math.max(0, kwh) * 1000) / unitWh)
  return {
    production: {
      id: productionId,
      kind: 'production',
      name,
      grain: by,
      fromHour: hourOf(first),
      unitWh,
      spans: packed(values),
      since: null,
    },
    leftOut: spans.length - taken.length,
  }
}

/** The same back; what was wrong with the file is not kept. */
export function madeIn({
  grain,
  fromHour,
  unitWh,
  spans,
}: Pick<Production, 'grain' | 'fromHour' | 'unitWh' | 'spans'>): Made {
  const { at, hourOf } = counted[grain]
  const first = at(fromHour)
  const found: MadeSpan[] = []
  unpacked(spans).forEach((value, i) => {
    if (value === nothing) return
    const from = hourOf(first + i)
    found.push({ fromHour: from, hours: hourOf(first + i + 1) - from, kwh: (value * unitWh) / 1000 })
  })
  return { by: grain, spans: found, problems: [] }
}
