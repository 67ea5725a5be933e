import { causeOf, type Cause } from './cause'
import { courseOf, type Outage, type Stretch } from './changes'
import { clockAhead } from './clock'
import { byDays, byMonths, comparedSpans, totalOf, type Compared, type ComparedMonth } from './compare'
import { lidOf, type Lid } from './lid'
import { typicalAt, yearlyAt, type HoursOfYears } from './hours'
import { type Made } from './made'

/** What the comparison rests on beside what was made. */
export interface AfterCase {
  /** kWh of the hours of the typical year, in standard time. */
  readonly typical: Float64Array
  /** Of the years as their weather was; none where it is not known. */
  readonly asWeather: HoursOfYears
  /** Share of the power that modules lose a year. */
  readonly degradation: number
  /** When it began to run, hours since 1970; the first hour measured where nobody has said. */
  readonly sinceHour: number | null
  readonly strings: readonly { readonly id: string; readonly share: number }[]
  /** When the sun is highest, by standard time. */
  readonly noonHour: number
}

/** From one stretch to the next. */
export interface Change {
  /** First day of the new stretch, since 1970. */
  readonly day: number
  /** Made of expected, before and after. */
  readonly before: number
  readonly after: number
  /** Less in a year that is like a typical one, kWh; below zero where it is more. */
  readonly kwhPerYear: number
  readonly cause: Cause
}

/** A year, or what of it there is, of promised against made. */
export interface AfterReport {
  readonly by: Made['by']
  /** First and last hour that is compared, since 1970. */
  readonly fromHour: number
  readonly toHour: number
  /** By how much the clock of the file was ahead, h; taken off. */
  readonly clockAheadHours: number
  /** Whether the weather that was is known for all of it; else the typical year stands in for it. */
  readonly weatherKnown: boolean
  readonly total: Compared
  readonly months: readonly ComparedMonth[]
  readonly stretches: readonly Stretch[]
  readonly outages: readonly Outage[]
  readonly changes: readonly Change[]
  /** Null where nothing is held down, or days and months do not tell. */
  readonly lid: (Lid & { readonly kwhPerYear: number }) | null
}

const yearHours = 8766
const dayHours = 24
/** Days on either side of a change that its cause is read from. */
const besideDays = 60

/** Promised against made, corrected for the weather that was; what is off, and since when. */
export function afterReport(made: Made, given: AfterCase): AfterReport {
  const typical = typicalAt(given.typical)
  const weather = yearlyAt(given.asWeather)
  const known = made.spans.every(({ fromHour, hours }) => isKnown(weather, fromHour, hours))
  const light = known ? weather : typical
  const ahead = made.by === 'hours' ? clockAhead(made.spans, light) : 0
  const spans =
    ahead === 0 ? made.spans : made.spans.map((span) => ({ ...span, fromHour: span.fromHour - ahead }))
  const began = given.sinceHour ?? spans[0]?.fromHour ?? 0
  const aged = (hour: number) =>
    (1 - given.degradation) ** Math.max(0, Math.floor((hour - began) / yearHours))
  const compared = comparedSpans(spans, {
    promisedAt: (hour) => typical(hour) * aged(hour),
    expectedAt: (hour) => light(hour) * aged(hour),
  })
  const total = totalOf(compared)
  // A lid takes more in summer than in winter: what it takes is no step of its own.
  const lid = made.by === 'hours' ? lidOf(compared) : null
  const underLid = lid
    ? compared.map((hour) =>
        Math.floor(hour.fromHour / dayHours) < lid.day
          ? hour
          : { ...hour, expectedKwh: Math.min(hour.expectedKwh, lid.kw) },
      )
    : compared
  const days = made.by === 'months' ? [] : byDays(underLid)
  const { stretches, outages } = courseOf(days)
  // What a lid takes is told with it, and no part of what a step takes.
  const annualKwh = given.typical.reduce((sum, kwh) => sum + Math.min(kwh, lid?.kw ?? Infinity), 0)
  const within = ({ fromDay, toDay }: Stretch) =>
    made.by === 'hours'
      ? underLid.filter(({ fromHour }) => {
          const day = Math.floor(fromHour / dayHours)
          return day >= fromDay && day <= toDay
        })
      : []
  const changes = stretches.slice(1).map((after, i): Change => {
    const before = stretches[i] ?? after
    return {
      day: after.fromDay,
      before: before.share,
      after: after.share,
      kwhPerYear: (before.share - after.share) * annualKwh,
      cause:
        made.by === 'hours'
          ? causeOf(
              within({ ...before, fromDay: Math.max(before.fromDay, before.toDay - besideDays) }),
              within({ ...after, toDay: Math.min(after.toDay, after.fromDay + besideDays) }),
              given.strings,
              given.noonHour,
            )
          : after.share > before.share
            ? { is: 'better' }
            : { is: 'untold' },
    }
  })
  const last = compared.at(-1)
  return {
    by: made.by,
    fromHour: compared[0]?.fromHour ?? 0,
    toHour: last ? last.fromHour + last.hours : 0,
    clockAheadHours: ahead,
    weatherKnown: known,
    total,
    months: byMonths(compared),
    stretches,
    outages,
    changes,
    lid: lid && {
      ...lid,
      kwhPerYear: given.typical.reduce((sum, kwh) => sum + Math.max(0, kwh - lid.kw), 0),
    },
  }
}

/** Every hour but those of 29 February. */
function isKnown(at: (hour: number) => number, fromHour: number, hours: number): boolean {
  for (let hour = fromHour; hour < fromHour + hours; hour++) {
    const date = new Date(hour * 3_600_000)
    if (Number.isNaN(at(hour)) && !(date.getUTCMonth() === 1 && date.getUTCDate() === 29)) return false
  }
  return true
}
