'use client'

import { type Load } from '@/core/kinds/load/load'
import { dayOfCount } from '@/core/model/day'
import { consumptionFrom, type BillsDifference, type CustomerBills } from '@/core/readers/customer-bills'
import { type BilledYear, type DaySpan } from '@/core/load/billed-year'
import { later } from '@/words/en/later'
import { money, monthNames } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { useSayer } from '../context'

const words = later.customerBills

/** The year that bills come to, what is odd about their days, and how their money stands to the tariff. */
export function BillsSum({
  load,
  found: { year, difference },
  onTake,
}: {
  readonly load: Load
  readonly found: CustomerBills
  readonly onTake: () => void
}) {
  const sayer = useSayer()
  const kwh = (value: number) => sayer.written({ value, unit: 'kWh', digits: 0 })
  const set = consumptionFrom(year)
  const isTaken =
    load.annualKwh === set.annualKwh && set.byMonth.every((own, month) => own === load.byMonth?.[month])
  return (
    <>
      <section aria-label={words.year} className="mt-4 border-t border-line pt-2">
        <h3 className="font-semibold">{words.year}</h3>
        <p>
          {sayer.say(words.annual, { kwh: kwh(year.annualKwh) })} {baseSaid(sayer, year)}
        </p>
        <ul className="quiet">
          {oddDays(sayer, year).map((said) => (
            <li key={said}>{said}</li>
          ))}
        </ul>
        {load.shape === 'meter' && <p className="quiet">{words.meter}</p>}
        {!isTaken && (
          <p className="mt-1">
            {sayer.say(words.differs, { now: kwh(load.annualKwh) })}{' '}
            <button type="button" className="cursor-pointer text-verdigris hover:underline" onClick={onTake}>
              {sayer.say(words.take, { kwh: kwh(year.annualKwh) })}
            </button>
          </p>
        )}
      </section>
      <section aria-label={words.compared} className="mt-3 border-t border-line pt-2">
        <h3 className="font-semibold">{words.compared}</h3>
        {difference ? <Difference {...difference} /> : <p className="quiet">{words.nothing}</p>}
      </section>
    </>
  )
}

/** What is used all year round, and the months that use the most over it. */
function baseSaid(sayer: Sayer, { basePerDay, overBase }: BilledYear): string {
  const over = overBase.reduce((all, kwh) => all + kwh, 0)
  const base = sayer.written({ value: basePerDay, unit: 'kWh', digits: 1 })
  const names = monthNames(sayer.place.locale)
  const months = overBase
    .map((kwh, month) => ({ kwh, month }))
    .sort((a, b) => b.kwh - a.kwh)
    .slice(0, 3)
    .sort((a, b) => a.month - b.month)
    .map(({ month }) => names[month] ?? '')
  if (over < 1) return sayer.say(words.even, { base })
  return sayer.say(words.base, {
    base,
    over: sayer.written({ value: over, unit: 'kWh', digits: 0 }),
    months: new Intl.ListFormat(sayer.place.locale).format(months),
  })
}

function oddDays(sayer: Sayer, { gaps, overlaps, filledDays }: BilledYear): string[] {
  const day = new Intl.DateTimeFormat(sayer.place.locale, { dateStyle: 'medium', timeZone: 'UTC' })
  const said = (spans: readonly DaySpan[], one: string, several: string) =>
    spans.map(({ from, to }) => {
      const [first, last] = [from, to].map((at) => day.format(new Date(`${dayOfCount(at)}T00:00:00Z`)))
      return sayer.say(from === to ? one : several, { from: first ?? '', to: last ?? '' })
    })
  return [
    ...said(gaps, words.oneDayGap, words.gap),
    ...said(overlaps, words.oneDayOverlap, words.overlap),
    ...(filledDays > 0 ? [sayer.say(words.filled, { days: filledDays })] : []),
  ]
}

function Difference({ billed, computed, ofBills, ofTariff, byDay, byKwh, rest }: BillsDifference) {
  const sayer = useSayer()
  const of = (value: number, digits = 2) => money(value, sayer.place, digits)
  const more = billed - computed
  const figures = { billed: of(billed), computed: of(computed), more: of(Math.abs(more)) }
  if (Math.abs(more) < 0.005) return <p>{sayer.say(words.equal, figures)}</p>
  const share =
    billed === 0 ? '–' : sayer.written({ value: Math.abs(more / billed), unit: 'share', digits: 1 })
  return (
    <>
      <p>{sayer.say(more > 0 ? words.dearer : words.cheaper, { ...figures, share })}</p>
      {ofBills && ofTariff ? (
        <p>
          {sayer.say(words.rates, {
            perDay: of(ofBills.perDay),
            perKwh: of(ofBills.perKwh, 3),
            tariffPerDay: of(ofTariff.perDay),
            tariffPerKwh: of(ofTariff.perKwh, 3),
          })}{' '}
          {sayer.say(words.parts, { byDay: of(byDay), byKwh: of(byKwh), rest: of(rest) })}
        </p>
      ) : (
        <p className="quiet">{words.few}</p>
      )}
      <p className="quiet">{words.look}</p>
    </>
  )
}
