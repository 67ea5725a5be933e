'use client'

import { useState } from 'react'
import { steppedBills } from '@/core/finance/price-steps'
import { pricePerWattFor, type Target } from '@/core/finance/target'
import { theOne } from '@/core/kinds/documents'
import { tariffNowId, tariffThenId } from '@/core/kinds/tariff/tariff'
import { type Fault } from '@/core/model/fault'
import { parseNumber } from '@/core/model/numbers'
import { pricedIn } from '@/core/stages/prices'
import { later } from '@/words/en/later'
import { entered, moneySign } from '@/words/format'
import { useBench, useHouse, useNumbers, useOption, useSayer, useSite } from '../context'
import { TextField } from '../fields/text-field'
import { useOffer } from './use-offer'

const words = later.money

/** The payback or the saving that is wanted, and the price per watt that gives it. */
export function Targets() {
  const { offer } = useOffer()
  const site = useSite()
  const sayer = useSayer()
  const [years, setYears] = useState<number | null>(null)
  const [left, setLeft] = useState<number | null>(null)
  const take =
    (set: (value: number | null) => void) =>
    (text: string): Fault | null => {
      set(text.trim() === '' ? null : parseNumber(text, site.locale))
      return null
    }
  return (
    <div className="mt-3">
      <h4 className="font-semibold">{words.targets}</h4>
      <TextField
        label={words.targetPayback}
        unit={words.years}
        shown={years === null ? '' : entered(years, site)}
        onType={take(setYears)}
      />
      {years !== null && <PriceFor target={{ what: 'payback', years }} />}
      <TextField
        label={sayer.say(words.targetLeft, { years: offer.years })}
        unit={moneySign(site)}
        shown={left === null ? '' : entered(left, site)}
        onType={take(setLeft)}
      />
      {left !== null && <PriceFor target={{ what: 'left', amount: left }} />}
    </div>
  )
}

function PriceFor({ target }: { readonly target: Target }) {
  const { catalogue } = useBench()
  const { offer, set } = useOffer()
  const { numbers, fresh } = useNumbers()
  const [house, option] = [useHouse(), useOption()]
  const sayer = useSayer()
  if (!numbers) return null
  const { aged, bills, count, powerW, inverters, optimized, partsPrice } = numbers.summary
  const tariffs = {
    now: theOne(house, 'tariff', tariffNowId),
    then: theOne(house, 'tariff', tariffThenId),
  }
  const { offer: _priced, ...equipment } = pricedIn({ house, option, catalogue })
  const found = pricePerWattFor(
    {
      offer,
      priced: {
        ...equipment,
        modules: count,
        inverters,
        optimizers: optimized.length,
        parts: partsPrice,
        powerW,
      },
      ...steppedBills(tariffs, bills.before.annual, aged),
    },
    target,
  )
  if (found === null) return <p className="quiet">{words.targetNone}</p>
  // Down to a whole cent: the target is still reached.
  const pricePerWatt = Math.floor(found * 100) / 100
  return (
    <p className={`flex items-baseline gap-3 ${fresh ? '' : 'opacity-60'}`}>
      <span className="flex-1">
        {sayer.say(words.targetPrice, { price: { value: pricePerWatt, unit: 'money/W', digits: 2 } })}
      </span>
      <button
        type="button"
        className="cursor-pointer text-verdigris underline"
        onClick={() => set(later.fields.offer.pricePerWatt, { pricePerWatt })}
      >
        {words.takePrice}
      </button>
    </p>
  )
}
