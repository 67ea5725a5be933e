'use client'

import { theOne } from '@/core/kinds/documents'
import { loadId, type LoadShape, loadShapes } from '@/core/kinds/load/load'
import { tariffNowId, tariffThenId, type Tariff, type TariffPeriod } from '@/core/kinds/tariff/tariff'
import { Fault } from '@/core/model/fault'
import { parseNumber } from '@/core/model/numbers'
import { useBench, useHouse, useSite, useWords } from '../../context'
import { ChoiceField, MoneyField, NumberField } from '../../fields/fields'
import { TextField } from '../../fields/text-field'
import { moneySign, number } from '@/words/format'
import { later } from '@/words/en/later'
import { houseId } from '../../store/documents'

/** What the customer uses, and what is paid for it now and after. */
export function MatchChapter() {
  const { documents } = useBench()
  const house = useHouse()
  const load = theOne(house, 'load', loadId)
  const words = useWords()
  return (
    <>
      <NumberField
        label={words.kinds.load.fields.annualKwh}
        name="Consumption"
        unit="kWh"
        documentId={houseId}
        objectId={loadId}
        value={load.annualKwh}
        fields={(annualKwh) => ({ annualKwh })}
      />
      <ChoiceField
        label={words.kinds.load.fields.shape}
        value={load.shape}
        choices={loadShapes.map((value) => ({ value, label: later.loadShapes[value] }))}
        onChoose={(shape: LoadShape) => documents.set('Load shape', houseId, loadId, { shape })}
      />
      <TariffFields tariff={theOne(house, 'tariff', tariffNowId)} title="Tariff now" />
      <TariffFields tariff={theOne(house, 'tariff', tariffThenId)} title="Tariff with solar" />
    </>
  )
}

const monthSets = [
  { value: '', label: 'all year' },
  { value: '6,7,8,9', label: 'Jun to Sep' },
  { value: '1,2,3,4,5,10,11,12', label: 'Oct to May' },
  { value: '12,1,2,3', label: 'Dec to Mar' },
  { value: '4,5,6,7,8,9,10,11', label: 'Apr to Nov' },
] as const

function TariffFields({ tariff, title }: { readonly tariff: Tariff; readonly title: string }) {
  const { documents } = useBench()
  const { fields } = useWords().kinds.tariff
  const of = { documentId: houseId, objectId: tariff.id }
  const setPeriods = (periods: readonly TariffPeriod[]) =>
    documents.set('Tariff period', houseId, tariff.id, { periods })
  const change = (index: number, fields: Partial<TariffPeriod>) =>
    setPeriods(tariff.periods.map((p, i) => (i === index ? { ...p, ...fields } : p)))
  return (
    <section aria-label={title} className="mt-3 border-t border-line pt-1.5">
      <h3 className="font-semibold">{title}</h3>
      <TextField
        label="Name"
        shown={tariff.name}
        width="name"
        onType={(name) => documents.set('Tariff name', houseId, tariff.id, { name })}
      />
      <MoneyField
        {...of}
        label={fields.fixedPerMonth}
        name="Fixed charge"
        value={tariff.fixedPerMonth}
        fields={(fixedPerMonth) => ({ fixedPerMonth })}
      />
      <MoneyField
        {...of}
        label={tariff.periods.length > 0 ? 'Off-peak rate' : fields.pricePerKwh}
        name="Price"
        digits={3}
        value={tariff.pricePerKwh}
        fields={(pricePerKwh) => ({ pricePerKwh })}
      />
      {tariff.id === tariffThenId && (
        <MoneyField
          {...of}
          label={fields.exportPerKwh}
          name="Export price"
          digits={3}
          value={tariff.exportPerKwh}
          fields={(exportPerKwh) => ({ exportPerKwh })}
        />
      )}
      {tariff.periods.map((period, i) => (
        <Period
          key={i}
          period={period}
          onChange={(fields) => change(i, fields)}
          onRemove={() => setPeriods(tariff.periods.filter((_, k) => k !== i))}
        />
      ))}
      <button
        type="button"
        className="mt-1 cursor-pointer text-[12px] text-verdigris hover:underline"
        onClick={() =>
          setPeriods([
            ...tariff.periods,
            {
              name: 'Peak',
              months: [],
              days: 'weekday',
              fromHour: 16,
              toHour: 20,
              pricePerKwh: tariff.pricePerKwh,
            },
          ])
        }
      >
        Add a time-of-use period
      </button>
    </section>
  )
}

function Period({
  period,
  onChange,
  onRemove,
}: {
  readonly period: TariffPeriod
  readonly onChange: (fields: Partial<TariffPeriod>) => Fault | null
  readonly onRemove: () => void
}) {
  const site = useSite()
  const monthKey = period.months.join(',')
  const sets = monthSets.some((set) => set.value === monthKey)
    ? [...monthSets]
    : [...monthSets, { value: monthKey, label: `months ${monthKey}` }]
  return (
    <fieldset className="mt-1 rounded-md border border-line px-2 pb-1">
      <legend className="flex items-center gap-1 px-1 text-[12px] text-pencil">
        {period.name}
        <button
          type="button"
          aria-label={`Remove ${period.name}`}
          className="cursor-pointer px-1 hover:text-clay"
          onClick={onRemove}
        >
          ×
        </button>
      </legend>
      <TextField label="Name" shown={period.name} width="name" onType={(name) => onChange({ name })} />
      <TextField
        label="Price per kWh"
        unit={moneySign(site)}
        shown={number(period.pricePerKwh, site, 3)}
        onType={(text) => onChange({ pricePerKwh: parseNumber(text, site.locale) })}
      />
      <TextField
        label="Hours"
        shown={`${period.fromHour}–${period.toHour}`}
        hint="16–20, or 23–6 over midnight"
        onType={(text) => {
          const found = /^\s*(\d{1,2})\s*(?:-|–|to)\s*(\d{1,2})\s*$/.exec(text)
          if (!found) return new Fault('bad-hours')
          return onChange({ fromHour: Number(found[1]), toHour: Number(found[2]) })
        }}
      />
      <ChoiceField
        label="Months"
        value={monthKey}
        choices={sets}
        onChoose={(value) => onChange({ months: value === '' ? [] : value.split(',').map(Number) })}
      />
      <ChoiceField
        label="Days"
        value={period.days}
        choices={[
          { value: 'all', label: 'every day' },
          { value: 'weekday', label: 'weekdays' },
          { value: 'weekend', label: 'weekends' },
        ]}
        onChoose={(days) => onChange({ days })}
      />
    </fieldset>
  )
}
