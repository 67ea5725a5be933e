'use client'

import { theOne } from '@/core/kinds/documents'
import { tariffNowId, tariffThenId, type Tariff } from '@/core/kinds/tariff/tariff'
import { boardOf } from '@/core/tariff/board'
import { later } from '@/words/en/later'
import { moneySign, number } from '@/words/format'
import { useBench, useHouse, useSite } from '../../context'
import { MoneyField } from '../../fields/fields'
import { lineButton } from '../../fields/file-button'
import { TextField } from '../../fields/text-field'
import { Consumption } from '../../match/consumption'
import { houseId } from '../../store/documents'

/** What the customer uses, and what is paid for it now and after. */
export function MatchChapter() {
  const { session } = useBench()
  const house = useHouse()
  return (
    <>
      <Consumption />
      <TariffFields tariff={theOne(house, 'tariff', tariffNowId)} title={later.tariff.now} />
      <TariffFields tariff={theOne(house, 'tariff', tariffThenId)} title={later.tariff.then} />
      {(['bills', 'tariffs', 'hours'] as const).map((dialog) => (
        <button
          key={dialog}
          type="button"
          className={`mt-2 block ${lineButton}`}
          onClick={() => session.setState({ dialog })}
        >
          {later[dialog].open}
        </button>
      ))}
    </>
  )
}

/** A tariff in few words; all of it is on its sheet. */
function TariffFields({ tariff, title }: { readonly tariff: Tariff; readonly title: string }) {
  const { documents, session } = useBench()
  const site = useSite()
  const fields = later.fields.tariff
  const of = { documentId: houseId, objectId: tariff.id }
  const { paints } = boardOf(tariff.periods)
  return (
    <section aria-label={title} className="mt-3 border-t border-line pt-1.5">
      <h3 className="font-semibold">{title}</h3>
      <TextField
        label={fields.name}
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
        label={paints.length > 0 ? 'Off-peak rate' : fields.pricePerKwh}
        name="Price"
        digits={3}
        value={tariff.pricePerKwh}
        fields={(pricePerKwh) => ({ pricePerKwh })}
      />
      {tariff.id === tariffThenId && tariff.exports.kind === 'net-billing' && (
        <MoneyField
          {...of}
          label={fields.exportPerKwh}
          name="Export price"
          digits={3}
          value={tariff.exportPerKwh}
          fields={(exportPerKwh) => ({ exportPerKwh })}
        />
      )}
      {paints.length > 0 && (
        <dl>
          {paints.map(({ name, pricePerKwh }, k) => (
            <div key={k} className="flex justify-between gap-2 py-0.5">
              <dt className="min-w-0 truncate text-pencil">{name}</dt>
              <dd className="whitespace-nowrap">
                {number(pricePerKwh, site, 3)} {moneySign(site)}/kWh
              </dd>
            </div>
          ))}
        </dl>
      )}
      <button
        type="button"
        className={`mt-1 block ${lineButton}`}
        aria-label={`${later.tariff.open}: ${title}`}
        onClick={() => session.setState({ dialog: tariff.id })}
      >
        {later.tariff.open}
      </button>
    </section>
  )
}
