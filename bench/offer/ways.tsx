'use client'

import { type ReactNode } from 'react'
import { type Offer } from '@/core/kinds/offer/offer'
import { waysToPay, type WayToPay } from '@/core/kinds/offer/payment'
import { type Fault } from '@/core/model/fault'
import { later } from '@/words/en/later'
import { moneySign } from '@/words/format'
import { useNumbers, useSayer, useSite } from '../context'
import { FigureCell } from './typed'
import { useOffer } from './use-offer'
import { useWayFigures } from './way-figures'

const words = later.money
const cell = 'py-0.5 pl-3 align-top'

/** The ways to pay beside each other: what each asks, and what comes of it. */
export function Ways() {
  const { offer, set } = useOffer()
  const { numbers, fresh } = useNumbers()
  const sayer = useSayer()
  const figures = useWayFigures(offer.years)
  const money = numbers?.summary.money
  // Where nothing is put up there is nothing to pay for.
  const hasSolar = numbers?.summary.ledger.find(({ id }) => id === 'payback')?.absent === undefined
  const { pay, alsoShown } = offer
  const choose = (way: WayToPay) => set(later.fields.offer.pay, { pay: way })
  const show = (way: WayToPay, shown: boolean) =>
    set(words.alsoShown, {
      alsoShown: shown ? [...alsoShown, way] : alsoShown.filter((one) => one !== way),
    })
  const column = (way: WayToPay) => (way === pay ? 'bg-verdigris/10' : '')
  return (
    <section>
      <table className="w-full">
        <caption className="mb-1 text-left font-semibold">{words.ways}</caption>
        <thead>
          <tr>
            <td className="w-[34%]" />
            {waysToPay.map((way) => (
              <th key={way} scope="col" className={`px-3 py-1 text-right font-semibold ${column(way)}`}>
                {words.way[way]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <Line label={words.byThis}>
            {(way) => (
              <input
                type="radio"
                name="pay"
                aria-label={`${words.byThis}: ${words.way[way]}`}
                checked={way === pay}
                onChange={() => choose(way)}
              />
            )}
          </Line>
          <Line label={words.alsoShown}>
            {(way) => (
              <input
                type="checkbox"
                aria-label={`${words.alsoShown}: ${words.way[way]}`}
                checked={way === pay || alsoShown.includes(way)}
                disabled={way === pay}
                onChange={({ target }) => show(way, target.checked)}
              />
            )}
          </Line>
          <TermRows />
          {money &&
            hasSolar &&
            figures.map(({ label, of }) => (
              <tr key={label} className={`border-t border-line ${fresh ? '' : 'opacity-60'}`}>
                <th scope="row" className="py-1 text-left font-normal text-pencil">
                  {label}
                </th>
                {waysToPay.map((way) => (
                  <td key={way} className={`px-3 py-1 text-right whitespace-nowrap ${column(way)}`}>
                    {of(way, money)}
                  </td>
                ))}
              </tr>
            ))}
        </tbody>
      </table>
      <p className="quiet mt-1">{sayer.say(words.flowNote, { currency: sayer.place.currency })}</p>
    </section>
  )
}

function Line({
  label,
  children,
}: {
  readonly label: string
  readonly children: (way: WayToPay) => ReactNode
}) {
  const { offer } = useOffer()
  return (
    <tr className="border-t border-line">
      <th scope="row" className="py-1 text-left font-normal text-pencil">
        {label}
      </th>
      {waysToPay.map((way) => (
        <td key={way} className={`${cell} pr-3 text-right ${way === offer.pay ? 'bg-verdigris/10' : ''}`}>
          {children(way)}
        </td>
      ))}
    </tr>
  )
}

/** A figure that some of the ways ask: how it is read, and where it belongs. */
interface Asked {
  readonly label: string
  readonly unit: 'money' | '%' | 'years' | 'months'
  readonly digits?: number
  /** What an empty one means. */
  readonly empty?: string
  readonly hint?: string
  readonly of: (offer: Offer, way: WayToPay) => number | null | undefined
  readonly fields: (offer: Offer, way: WayToPay, value: number | null) => Partial<Offer>
}

const ofLoan = (
  key: keyof Offer['loan'],
  label: string,
  unit: Asked['unit'],
  more: Pick<Asked, 'digits' | 'empty' | 'hint'> = {},
): Asked => ({
  label,
  unit,
  ...more,
  of: ({ loan }, way) => (way === 'loan' ? loan[key] : undefined),
  fields: ({ loan }, _way, value) => ({ loan: { ...loan, [key]: value } }),
})

type Contracted = 'growth' | 'years' | 'buyout'
const ofContract = (
  key: Contracted,
  label: string,
  unit: Asked['unit'],
  more: Pick<Asked, 'digits' | 'empty' | 'hint'> = {},
): Asked => ({
  label,
  unit,
  ...more,
  of: (offer, way) => (way === 'lease' || way === 'ppa' ? offer[way][key] : undefined),
  fields: (offer, way, value) => ({
    [way]: { ...offer[way === 'ppa' ? 'ppa' : 'lease'], [key]: value },
  }),
})

const asked: readonly Asked[] = [
  ofLoan('downShare', words.downShare, '%'),
  ofLoan('rate', words.rate, '%', { digits: 2 }),
  {
    ...ofLoan('years', words.term, 'years'),
    of: (offer, way) => (way === 'cash' ? undefined : offer[way].years),
    fields: (offer, way, value) => (way === 'cash' ? {} : { [way]: { ...offer[way], years: value } }),
  },
  ofLoan('feeShare', words.feeShare, '%'),
  ofLoan('interestOnlyMonths', words.interestOnly, 'months'),
  ofLoan('balloonShare', words.balloon, '%'),
  ofLoan('paidInMonth', words.paidIn, 'months', { empty: words.never, hint: words.paidInHint }),
  {
    label: words.perMonth,
    unit: 'money',
    digits: 2,
    of: ({ lease }, way) => (way === 'lease' ? lease.perMonth : undefined),
    fields: ({ lease }, _way, value) => ({ lease: { ...lease, perMonth: value ?? 0 } }),
  },
  {
    label: words.perKwh,
    unit: 'money',
    digits: 3,
    of: ({ ppa }, way) => (way === 'ppa' ? ppa.perKwh : undefined),
    fields: ({ ppa }, _way, value) => ({ ppa: { ...ppa, perKwh: value ?? 0 } }),
  },
  ofContract('growth', words.growth, '%'),
  ofContract('buyout', words.buyout, 'money', { empty: words.takenAway, hint: words.buyoutHint }),
]

function TermRows() {
  const { offer, set } = useOffer()
  const site = useSite()
  const unitOf = { money: moneySign(site), '%': '%', years: words.years, months: words.months }
  return asked.map((one) => {
    const { label, unit, digits = unit === '%' ? 1 : 0, empty, hint } = one
    const setOne = (way: WayToPay, value: number | null): Fault | null =>
      set(label, one.fields(offer, way, value))
    return (
      <tr key={label} className="border-t border-line/60" title={hint}>
        <th scope="row" className="py-0.5 text-left leading-7 font-normal text-pencil">
          {label}
        </th>
        {waysToPay.map((way) => {
          const value = one.of(offer, way)
          return (
            <td key={way} className={`${cell} ${way === offer.pay ? 'bg-verdigris/10' : ''}`}>
              {value !== undefined && (
                <div className="flex items-start justify-end gap-1">
                  <div className="w-24">
                    <FigureCell
                      label={`${words.way[way]}: ${label}`}
                      value={value}
                      digits={digits}
                      percent={unit === '%'}
                      onSet={(typed) => setOne(way, typed)}
                      placeholder={empty}
                    />
                  </div>
                  <span className="w-8 text-[12px] leading-7 text-pencil">{unitOf[unit]}</span>
                </div>
              )}
            </td>
          )
        })}
      </tr>
    )
  })
}
