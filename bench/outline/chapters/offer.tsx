'use client'

import { theOne } from '@/core/kinds/documents'
import { offerId } from '@/core/kinds/offer/offer'
import { waysToPay } from '@/core/kinds/offer/payment'
import { storageId } from '@/core/kinds/storage/storage'
import { later } from '@/words/en/later'
import { useBench, useCatalogue, useNumbers, useOption, useSayer, useSession } from '../../context'
import { ChoiceField, MoneyField, NumberField, OptionalMoneyField, PercentField } from '../../fields/fields'
import { TextField } from '../../fields/text-field'
import { SentOffers } from './sent-offers'

const opens = [
  ['permit', later.papers.openPermit],
  ['hand-over', later.papers.openHandOver],
  ['after', later.after.open],
] as const

/** Price, ways to pay, years; and the link for the customer. */
export function OfferChapter() {
  const { documents, session } = useBench()
  const catalogue = useCatalogue()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const offer = theOne(option, 'offer', offerId)
  const storage = theOne(option, 'storage', storageId)
  const battery = catalogue.batteries.find(({ id }) => id === storage.batteryId)
  const fields = later.fields.offer
  const of = { documentId: optionId, objectId: offerId }
  const sayer = useSayer()
  const unpriced = useNumbers().numbers?.summary.partsPrice?.unpriced ?? 0
  return (
    <>
      <TextField
        label={fields.name}
        shown={offer.name}
        width="name"
        onType={(name) => documents.set('Option name', optionId, offerId, { name })}
      />
      <MoneyField
        {...of}
        label={fields.pricePerWatt}
        name="Price per watt"
        value={offer.pricePerWatt}
        fields={(pricePerWatt) => ({ pricePerWatt })}
      />
      <ChoiceField
        label={fields.equipment}
        value={offer.equipment}
        choices={[
          { value: 'listed', label: 'at list prices' },
          { value: 'parts', label: 'by the parts list' },
          { value: 'in-price', label: 'in the price' },
        ]}
        onChoose={(equipment) => documents.set(fields.equipment, optionId, offerId, { equipment })}
      />
      {unpriced > 0 && <p className="quiet mb-1">{sayer.say(later.money.unpriced, { lines: unpriced })}</p>}
      <PercentField
        {...of}
        label={fields.listShare}
        name="Share of list prices"
        value={offer.listShare}
        fields={(listShare) => ({ listShare })}
      />
      {battery && (
        <OptionalMoneyField
          {...of}
          label={fields.pricePerBattery}
          name="Price per battery"
          value={offer.pricePerBattery}
          hint="Empty: the list price"
          usual={battery.price * offer.listShare}
          fields={(pricePerBattery) => ({ pricePerBattery })}
        />
      )}
      <button
        type="button"
        className="button my-1 w-full"
        onClick={() => session.setState({ dialog: 'money' })}
      >
        {later.money.open}
      </button>
      <button
        type="button"
        className="button my-1 w-full"
        onClick={() => session.setState({ dialog: 'best' })}
      >
        {later.best.open}
      </button>
      <ChoiceField
        label={fields.pay}
        value={offer.pay}
        choices={waysToPay.map((value) => ({ value, label: later.money.way[value] }))}
        onChoose={(pay) => documents.set(fields.pay, optionId, offerId, { pay })}
        wide={false}
      />
      <MoneyField
        {...of}
        label={fields.upkeepPerYear}
        name="Annual maintenance"
        digits={0}
        value={offer.upkeepPerYear}
        fields={(upkeepPerYear) => ({ upkeepPerYear })}
      />
      <h3 className="quiet mt-2">Over the years</h3>
      <NumberField
        {...of}
        label={fields.years}
        name="Years"
        unit=""
        value={offer.years}
        fields={(years) => ({ years })}
      />
      <PercentField
        {...of}
        label={fields.escalation}
        name="Escalation"
        value={offer.escalation}
        fields={(escalation) => ({ escalation })}
      />
      <PercentField
        {...of}
        label={fields.discountRate}
        name="Discount rate"
        value={offer.discountRate}
        fields={(discountRate) => ({ discountRate })}
      />
      <button
        type="button"
        className="button mt-1 w-full"
        onClick={() => session.setState({ dialog: 'cash-flow' })}
      >
        {later.money.flowOpen}
      </button>
      <NumberField
        {...of}
        label={fields.validDays}
        name={fields.validDays}
        unit={later.money.days}
        value={offer.validDays}
        fields={(validDays) => ({ validDays })}
      />
      <button
        type="button"
        className="button my-1 w-full"
        onClick={() => session.setState({ dialog: 'page' })}
      >
        {later.page.open}
      </button>
      <SentOffers optionId={optionId} />
      <section aria-label={later.papers.title} className="mt-3 border-t border-line pt-2">
        <h3 className="quiet">{later.papers.title}</h3>
        {opens.map(([dialog, label]) => (
          <button
            key={dialog}
            type="button"
            className="button mt-1 w-full"
            onClick={() => session.setState({ dialog })}
          >
            {label}
          </button>
        ))}
      </section>
    </>
  )
}
