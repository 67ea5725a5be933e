'use client'

import { type Tariff } from '@/core/kinds/tariff/tariff'
import { parseNumber, parsePercent } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { entered, moneySign } from '@/words/format'
import { useBench, useSite } from '../context'
import { MoneyField } from '../fields/fields'
import { lineButton } from '../fields/file-button'
import { NamedAmount } from '../fields/named-amount'
import { TextField } from '../fields/text-field'
import { houseId } from '../store/documents'
import { Demand } from './demand'
import { Exports } from './exports'
import { PriceSteps } from './price-steps'
import { Steps } from './steps'

const words = later.tariff

/** All of a tariff but its prices by the hour. */
export function Charges({ tariff }: { readonly tariff: Tariff }) {
  const fields = later.fields.tariff
  const { documents } = useBench()
  const site = useSite()
  const of = { documentId: houseId, objectId: tariff.id }
  return (
    <div className="grid gap-x-8 gap-y-4 md:grid-cols-2">
      <section>
        <h3 className="mb-1 font-semibold">{words.charges}</h3>
        <MoneyField
          {...of}
          label={fields.fixedPerMonth}
          name="Fixed charge"
          value={tariff.fixedPerMonth}
          fields={(fixedPerMonth) => ({ fixedPerMonth })}
        />
        <MoneyField
          {...of}
          label={words.fixedPerDay}
          name={words.fixedPerDay}
          value={tariff.fixedPerDay}
          fields={(fixedPerDay) => ({ fixedPerDay })}
        />
        <MoneyField
          {...of}
          label={words.minimum}
          name={words.minimum}
          value={tariff.minimumPerMonth}
          fields={(minimumPerMonth) => ({ minimumPerMonth })}
        />
        <TextField
          label={words.nonBypassable}
          unit={`${moneySign(site)}/kWh`}
          hint={words.nonBypassableHint}
          shown={entered(tariff.nonBypassablePerKwh, site, 3)}
          onType={(text) =>
            documents.set(words.nonBypassable, houseId, tariff.id, {
              nonBypassablePerKwh: parseNumber(text, site.locale),
            })
          }
        />
        <TextField
          label={words.holidays}
          width="name"
          hint={words.holidaysHint}
          shown={tariff.holidays.join(', ')}
          onType={(text) =>
            documents.set(words.holidays, houseId, tariff.id, {
              holidays: text.split(/[,;\s]+/).filter((day) => day !== ''),
            })
          }
        />
      </section>
      <Exports tariff={tariff} />
      <Steps tariff={tariff} />
      <Demand tariff={tariff} />
      <Taxes tariff={tariff} />
      <Credits tariff={tariff} />
      <PriceSteps tariff={tariff} />
    </div>
  )
}

function Taxes({ tariff }: { readonly tariff: Tariff }) {
  const { documents } = useBench()
  const site = useSite()
  const set = (taxes: Tariff['taxes']) => documents.set(words.taxes, houseId, tariff.id, { taxes })
  const change = (k: number, fields: Partial<Tariff['taxes'][number]>) =>
    set(tariff.taxes.map((one, i) => (i === k ? { ...one, ...fields } : one)))
  return (
    <section>
      <h3 className="mb-1 font-semibold">{words.taxes}</h3>
      {tariff.taxes.map(({ name, share }, k) => (
        <NamedAmount
          key={k}
          name={name}
          shown={entered(Number((share * 100).toPrecision(12)), site, 1)}
          unit="%"
          onName={(text) => change(k, { name: text })}
          onAmount={(text) => change(k, { share: parsePercent(text, site.locale) })}
          onRemove={() => set(tariff.taxes.filter((_, i) => i !== k))}
        />
      ))}
      <button
        type="button"
        className={lineButton}
        onClick={() => set([...tariff.taxes, { name: words.newTax, share: 0.05 }])}
      >
        {words.addTax}
      </button>
    </section>
  )
}

function Credits({ tariff }: { readonly tariff: Tariff }) {
  const { documents } = useBench()
  const site = useSite()
  const set = (credits: Tariff['credits']) => documents.set(words.credits, houseId, tariff.id, { credits })
  const change = (k: number, fields: Partial<Tariff['credits'][number]>) =>
    set(tariff.credits.map((one, i) => (i === k ? { ...one, ...fields } : one)))
  return (
    <section>
      <h3 className="mb-1 font-semibold">{words.credits}</h3>
      {tariff.credits.map(({ name, amount }, k) => (
        <NamedAmount
          key={k}
          name={name}
          shown={entered(amount, site, 2)}
          unit={`${moneySign(site)} ${words.aMonth}`}
          onName={(text) => change(k, { name: text })}
          onAmount={(text) => change(k, { amount: parseNumber(text, site.locale) })}
          onRemove={() => set(tariff.credits.filter((_, i) => i !== k))}
        />
      ))}
      <button
        type="button"
        className={lineButton}
        onClick={() => set([...tariff.credits, { name: words.newCredit, months: [], amount: 5 }])}
      >
        {words.addCredit}
      </button>
    </section>
  )
}
