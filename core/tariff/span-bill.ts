import { type TariffForm } from '../kinds/tariff/form'
import { dayCount, dayOfCount } from '../model/day'
import { localClock, standardOffsetHours, zoneOffsetMs, type LocalClock } from '../model/local-clock'
import { daysIn, daysInMonth } from '../model/model-year'
import { type BillLine } from './bill-lines'
import { formBill } from './form-bill'

const hourMs = 3_600_000
const dayMs = 24 * hourMs

/** The days that a bill has of one month of the calendar. */
export interface MonthPart {
  readonly year: number
  /** 0..11 */
  readonly month: number
  readonly days: number
  /** Of the whole month. */
  readonly share: number
  readonly startMs: number
  readonly standardHours: number
  /** Hours of the zone's clock: one more or less where it is put back or forward. */
  readonly clock: LocalClock
}

/** The months that days have a part of. @param from days since 1970 @param to the last one, within */
export function monthParts(from: number, to: number, timeZone: string): MonthPart[] {
  const parts: MonthPart[] = []
  for (let day = from; day <= to;) {
    const [year, month] = dayOfCount(day).split('-').map(Number) as [number, number]
    const length = month === 2 && daysIn(year) === 366 ? 29 : (daysInMonth[month - 1] ?? 30)
    const monthEnd = dayCount(`${dayOfCount(day).slice(0, 8)}${length}`)
    const end = Math.min(to, monthEnd)
    const [startMs, endMs] = [midnight(day, timeZone), midnight(end + 1, timeZone)]
    parts.push({
      year,
      month: month - 1,
      days: end - day + 1,
      share: (end - day + 1) / length,
      startMs,
      standardHours: standardOffsetHours(timeZone, year),
      clock: localClock(timeZone, startMs, 60, Math.round((endMs - startMs) / hourMs)),
    })
    day = end + 1
  }
  return parts
}

/** Unix time at which a day begins on a zone's clock. */
function midnight(day: number, timeZone: string): number {
  const utc = day * dayMs
  // What the clock is ahead by just then, found from a moment that is at most a day away.
  const near = utc - zoneOffsetMs(timeZone, utc)
  return utc - zoneOffsetMs(timeZone, near)
}

/**
 * The bill of any days without solar: of a charge by the month, an allowance by the month, a demand charge, a minimum and
 * a credit as much as the days are of their month; all by the prices, weekdays and holidays of their own year. What a
 * demand charge takes over from other months is not in it.
 * @param kwh in each hour of each part
 */
export function spanBill(
  form: TariffForm,
  parts: readonly MonthPart[],
  kwh: readonly Float64Array[],
): BillLine[] {
  const lines = new Map<string, BillLine>()
  parts.forEach(({ clock, year, month }, p) => {
    const boughtKwh = kwh[p] ?? new Float64Array(clock.hour.length)
    const given = { clock, year, stepMinutes: 60, boughtKwh, soldKwh: new Float64Array(boughtKwh.length) }
    const part = parts[p] as MonthPart
    for (const line of formBill(formOfPart(form, part), given).months[month]?.lines ?? []) {
      const key = `${line.code} ${line.name}`
      lines.set(key, { ...line, amount: line.amount + (lines.get(key)?.amount ?? 0) })
    }
  })
  return [...lines.values()]
}

/** A tariff whose charges by the month are those of a part of it. */
const formOfPart = (form: TariffForm, { days, share }: MonthPart): TariffForm => ({
  ...form,
  fixedPerMonth: form.fixedPerMonth * share + form.fixedPerDay * days,
  fixedPerDay: 0,
  tiers: form.tiers && {
    ...form.tiers,
    per: 'month',
    steps: form.tiers.steps.map(({ upToKwh, addPerKwh }) => ({
      upToKwh: upToKwh === null ? null : upToKwh * (form.tiers?.per === 'day' ? days : share),
      addPerKwh,
    })),
  },
  demand: form.demand.map((charge) => ({ ...charge, perKw: charge.perKw * share, ratchet: 0 })),
  minimumPerMonth: form.minimumPerMonth * share,
  credits: form.credits.map((credit) => ({ ...credit, amount: credit.amount * share })),
  exportPerKwh: 0,
  exports: { kind: 'none' },
})
