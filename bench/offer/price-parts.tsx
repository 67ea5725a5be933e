'use client'

import { parseNumber } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { entered, money, moneySign } from '@/words/format'
import { useNumbers, useSite } from '../context'
import { lineButton } from '../fields/file-button'
import { NamedAmount } from '../fields/named-amount'
import { Targets } from './targets'
import { Percent } from './typed'
import { changedAt, useOffer, without } from './use-offer'

const words = later.money

/** How the price is made up. */
export function PriceParts() {
  const { offer, set } = useOffer()
  const site = useSite()
  const { numbers, fresh } = useNumbers()
  const price = numbers?.summary.price
  const { adders } = offer
  const setAdders = (next: typeof adders) => set(words.adders, { adders: next })
  const parts = (
    [
      'work',
      'modules',
      'inverter',
      'optimizers',
      'listed',
      'batteries',
      'adders',
      'markup',
      'salesTax',
    ] as const
  ).filter((part) => price && price[part] !== 0)
  return (
    <section>
      <h3 className="mb-1 font-semibold">{words.price}</h3>
      {adders.map(({ name, amount }, k) => (
        <NamedAmount
          key={k}
          name={name}
          shown={entered(amount, site)}
          unit={moneySign(site)}
          onName={(text) => setAdders(changedAt(adders, k, { name: text }))}
          onAmount={(text) => setAdders(changedAt(adders, k, { amount: parseNumber(text, site.locale) }))}
          onRemove={() => setAdders(without(adders, k))}
        />
      ))}
      <button
        type="button"
        className={lineButton}
        onClick={() => setAdders([...adders, { name: words.newAdder, amount: 500 }])}
      >
        {words.addAdder}
      </button>
      <Percent
        label={later.fields.offer.markup}
        value={offer.markup}
        onSet={(markup) => set(later.fields.offer.markup, { markup })}
      />
      <Percent
        label={later.fields.offer.salesTax}
        value={offer.salesTax}
        digits={2}
        onSet={(salesTax) => set(later.fields.offer.salesTax, { salesTax })}
      />
      {price && (
        <dl className={`mt-2 ${fresh ? '' : 'opacity-60'}`}>
          {parts.map((part) => (
            <Amount key={part} label={words.summary[part]} text={money(price[part], site, 2)} />
          ))}
          <Amount label={words.summary.total} text={money(price.total, site, 2)} strong />
          {price.paidBack.map(({ name, amount }, k) => (
            <Amount key={`${name} ${k}`} label={name} text={money(-amount, site, 2)} />
          ))}
          <Amount label={words.summary.net} text={money(price.net, site, 2)} strong />
        </dl>
      )}
      <Targets />
    </section>
  )
}

function Amount({
  label,
  text,
  strong = false,
}: {
  readonly label: string
  readonly text: string
  readonly strong?: boolean
}) {
  return (
    <div className={`flex justify-between ${strong ? 'border-t border-line font-semibold' : 'text-pencil'}`}>
      <dt>{label}</dt>
      <dd className="tabular-nums">{text}</dd>
    </div>
  )
}
