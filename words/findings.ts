import { type Change, type AfterReport } from '@/core/after/report'
import { type Quantity } from '@/core/model/said'
import { after as words } from './en/after'
import { type Sayer } from './sayer'

/** What of a year was off, in sentences. */
export interface Findings {
  /** What the figures are of. */
  readonly about: readonly string[]
  readonly off: readonly { readonly what: string; readonly why: string }[]
}

const dayMs = 86_400_000
/** Less is the weather of a typical year. */
const sameShare = 0.005

const energy = (value: number): Quantity => ({ value: Math.abs(value), unit: 'kWh', digits: 0 })
const share = (value: number): Quantity => ({ value, unit: 'share', digits: 0 })

/** What a report says, the latest first. */
export function findingsOf(sayer: Sayer, report: AfterReport, file: string): Findings {
  const { total, outages, changes, lid } = report
  const day = (since1970: number) =>
    new Intl.DateTimeFormat(sayer.place.locale, { dateStyle: 'medium', timeZone: 'UTC' }).format(
      new Date(since1970 * dayMs),
    )
  const more = total.promisedKwh > 0 ? total.expectedKwh / total.promisedKwh - 1 : 0
  const found = [
    ...outages.map(({ fromDay, toDay, lostKwh }) => ({
      at: fromDay,
      what: sayer.say(words.outage, {
        days: toDay - fromDay + 1,
        from: day(fromDay),
        to: day(toDay),
        lost: energy(lostKwh),
      }),
      why: '',
    })),
    ...changes.map((change) => ({
      at: change.day,
      what: sayer.say(words.change, {
        day: day(change.day),
        after: share(change.after),
        before: share(change.before),
        direction: change.kwhPerYear >= 0 ? 'less' : 'more',
        loss: energy(change.kwhPerYear),
      }),
      why: whyOf(sayer, change),
    })),
    ...(lid
      ? [
          {
            at: lid.day,
            what: sayer.say(words.lid, {
              day: day(lid.day),
              power: { value: lid.kw, unit: 'kW', digits: 2 },
              loss: energy(lid.kwhPerYear),
            }),
            why: '',
          },
        ]
      : []),
  ]
  return {
    about: [
      sayer.say(words.of, {
        file,
        from: day(Math.floor(report.fromHour / 24)),
        to: day(Math.ceil(report.toHour / 24) - 1),
      }),
      !report.weatherKnown
        ? words.noWeather
        : Math.abs(more) < sameShare
          ? words.weatherSame
          : sayer.say(words.weather, {
              share: { value: Math.abs(more), unit: 'share', digits: 1 },
              direction: more > 0 ? 'more' : 'less',
            }),
      ...(report.clockAheadHours === 0
        ? []
        : [
            sayer.say(words.clock, {
              hours: Math.abs(report.clockAheadHours),
              direction: report.clockAheadHours > 0 ? 'ahead' : 'behind',
            }),
          ]),
    ],
    off: found.sort((a, b) => b.at - a.at).map(({ what, why }) => ({ what, why })),
  }
}

function whyOf(sayer: Sayer, { cause }: Change): string {
  return cause.is === 'string'
    ? sayer.say(words.causes.string, { string: cause.stringId })
    : words.causes[cause.is]
}
