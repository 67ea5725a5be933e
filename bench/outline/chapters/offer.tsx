'use client'

import { useState } from 'react'
import { theOne } from '@/core/kinds/documents'
import { offerId } from '@/core/kinds/offer/offer'
import { storageId } from '@/core/kinds/storage/storage'
import { type Fault } from '@/core/model/fault'
import { useBench, useOption, useSayer, useSession, useWords } from '../../context'
import { MoneyField, NumberField, PercentField } from '../../fields/fields'
import { TextField } from '../../fields/text-field'
import { shareOption } from '../../requests'

/** Price, incentive, years; and the link for the customer. */
export function OfferChapter() {
  const { documents } = useBench()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const offer = theOne(option, 'offer', offerId)
  const storage = theOne(option, 'storage', storageId)
  const { fields } = useWords().kinds.offer
  const of = { documentId: optionId, objectId: offerId }
  return (
    <>
      <TextField
        label={fields.name}
        shown={offer.name}
        width="words"
        onType={(name) => documents.set('Option name', optionId, offerId, { name })}
      />
      <MoneyField
        {...of}
        label={fields.pricePerWatt}
        name="Price per watt"
        value={offer.pricePerWatt}
        fields={(pricePerWatt) => ({ pricePerWatt })}
      />
      {storage.batteryId && (
        <MoneyField
          {...of}
          label={fields.pricePerBattery}
          name="Price per battery"
          digits={0}
          value={offer.pricePerBattery}
          fields={(pricePerBattery) => ({ pricePerBattery })}
        />
      )}
      <PercentField
        {...of}
        label={fields.incentiveShare}
        name="Incentive"
        value={offer.incentiveShare}
        fields={(incentiveShare) => ({ incentiveShare })}
      />
      <MoneyField
        {...of}
        label={fields.upkeepPerYear}
        name="Annual maintenance"
        digits={0}
        value={offer.upkeepPerYear}
        fields={(upkeepPerYear) => ({ upkeepPerYear })}
      />
      <h3 className="quiet mt-2">Cash purchase over the years</h3>
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
      <ShareLink optionId={optionId} />
    </>
  )
}

function ShareLink({ optionId }: { readonly optionId: string }) {
  const { jobId, outbox } = useBench()
  const [link, setLink] = useState<{ optionId: string; path: string } | null>(null)
  const [fault, setFault] = useState<Fault | null>(null)
  const [busy, setBusy] = useState(false)
  const sayer = useSayer()
  const path = link?.optionId === optionId ? link.path : null
  const make = async () => {
    setBusy(true)
    setFault(null)
    outbox.flush()
    const answer = await shareOption(jobId, optionId)
    setBusy(false)
    if ('fault' in answer) setFault(answer.fault)
    else setLink({ optionId, path: answer.path })
  }
  return (
    <div className="mt-3 border-t border-line pt-2">
      {path ? (
        <>
          <p className="quiet">Link for the customer, impossible to guess:</p>
          <input
            aria-label="Link to the proposal"
            className="field my-1"
            readOnly
            value={`${window.location.origin}${path}`}
            onFocus={(event) => event.target.select()}
          />
          <div className="flex gap-1.5">
            <a className="button button-main flex-1" href={path} target="_blank" rel="noreferrer">
              Open proposal
            </a>
            <a className="button" href={`${path}/pdf`} target="_blank" rel="noreferrer">
              PDF
            </a>
          </div>
        </>
      ) : (
        <button
          type="button"
          className="button button-main w-full"
          disabled={busy}
          onClick={() => void make()}
        >
          {busy ? 'Creating the link …' : 'Share offer'}
        </button>
      )}
      {fault && (
        <p role="alert" className="mt-1 text-[12px] text-clay">
          {sayer.fault(fault)}
        </p>
      )}
    </div>
  )
}
