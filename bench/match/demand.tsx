'use client'

import { type Tariff } from '@/core/kinds/tariff/tariff'
import { parseNumber, parsePercent } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { entered, moneySign } from '@/words/format'
import { useBench, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { lineButton } from '../fields/file-button'
import { TextField } from '../fields/text-field'
import { houseId } from '../store/documents'
import { readHours } from './read-hours'
import { RemoveButton } from '../fields/remove-button'

const words = later.tariff
type Charge = Tariff['demand'][number]

/** What the highest power of a month costs. */
export function Demand({ tariff }: { readonly tariff: Tariff }) {
  const { documents } = useBench()
  const set = (demand: readonly Charge[]) => documents.set(words.demand, houseId, tariff.id, { demand })
  const change = (k: number, fields: Partial<Charge>) =>
    set(tariff.demand.map((one, i) => (i === k ? { ...one, ...fields } : one)))
  return (
    <section>
      <h3 className="mb-1 font-semibold">{words.demand}</h3>
      {tariff.demand.map((charge, k) => (
        <DemandCharge
          key={k}
          charge={charge}
          onChange={(fields) => change(k, fields)}
          onRemove={() => set(tariff.demand.filter((_, i) => i !== k))}
        />
      ))}
      <button
        type="button"
        className={lineButton}
        onClick={() =>
          set([
            ...tariff.demand,
            {
              name: words.newDemand,
              months: [],
              days: 'all',
              fromHour: 0,
              toHour: 24,
              perKw: 10,
              minutes: 60,
              ratchet: 0,
            },
          ])
        }
      >
        {words.addDemand}
      </button>
    </section>
  )
}

function DemandCharge({
  charge,
  onChange,
  onRemove,
}: {
  readonly charge: Charge
  readonly onChange: (fields: Partial<Charge>) => ReturnType<ReturnType<typeof useBench>['documents']['set']>
  readonly onRemove: () => void
}) {
  const site = useSite()
  const { name } = charge
  return (
    <fieldset className="mb-1 rounded-md border border-line px-2 pb-1">
      <legend className="px-1 text-[12px] text-pencil">
        {name}
        <RemoveButton name={name} onRemove={onRemove} />
      </legend>
      <TextField label={words.name} width="words" shown={name} onType={(text) => onChange({ name: text })} />
      <TextField
        label={words.perKw}
        unit={moneySign(site)}
        shown={entered(charge.perKw, site, 2)}
        onType={(text) => onChange({ perKw: parseNumber(text, site.locale) })}
      />
      <TextField
        label={words.hours}
        hint={words.hoursHint}
        shown={`${charge.fromHour}–${charge.toHour}`}
        onType={(text) => onChange(readHours(text))}
      />
      <ChoiceField
        label={words.demandDays}
        value={charge.days}
        choices={[
          { value: 'all', label: words.anyDay },
          { value: 'weekday', label: words.weekdays },
          { value: 'weekend', label: words.weekends },
        ]}
        onChoose={(days) => onChange({ days })}
      />
      <ChoiceField
        label={words.minutes}
        value={String(charge.minutes)}
        choices={[15, 30, 60].map((minutes) => ({ value: String(minutes), label: `${minutes} min` }))}
        onChoose={(minutes) => onChange({ minutes: Number(minutes) as Charge['minutes'] })}
      />
      <TextField
        label={words.ratchet}
        unit="%"
        shown={entered(Number((charge.ratchet * 100).toPrecision(12)), site)}
        onType={(text) => onChange({ ratchet: parsePercent(text, site.locale) })}
      />
    </fieldset>
  )
}
