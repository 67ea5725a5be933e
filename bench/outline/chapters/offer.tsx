'use client'

import { useState } from 'react'
import { theOne } from '@/core/model/document'
import { offerId } from '@/core/model/kinds/offer'
import { storageId } from '@/core/model/kinds/storage'
import { useBench, useOption, useSession } from '../../context'
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
  const of = { documentId: optionId, objectId: offerId }
  return (
    <>
      <TextField
        label="Option"
        shown={offer.name}
        width="words"
        onType={(name) => documents.set('Option name', optionId, offerId, { name })}
      />
      <MoneyField
        {...of}
        label="Price a watt"
        name="Price a watt"
        value={offer.pricePerWatt}
        fields={(pricePerWatt) => ({ pricePerWatt })}
      />
      {storage.batteryId && (
        <MoneyField
          {...of}
          label="A battery"
          name="Price a battery"
          digits={0}
          value={offer.pricePerBattery}
          fields={(pricePerBattery) => ({ pricePerBattery })}
        />
      )}
      <PercentField
        {...of}
        label="Incentive"
        name="Incentive"
        value={offer.incentiveShare}
        fields={(incentiveShare) => ({ incentiveShare })}
      />
      <MoneyField
        {...of}
        label="Upkeep a year"
        name="Upkeep"
        digits={0}
        value={offer.upkeepPerYear}
        fields={(upkeepPerYear) => ({ upkeepPerYear })}
      />
      <h3 className="quiet mt-2">Over the years, cash purchase</h3>
      <NumberField
        {...of}
        label="Years"
        name="Years"
        unit=""
        value={offer.years}
        fields={(years) => ({ years })}
      />
      <PercentField
        {...of}
        label="Prices grow by"
        name="Escalation"
        value={offer.escalation}
        fields={(escalation) => ({ escalation })}
      />
      <PercentField
        {...of}
        label="Discount rate"
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
  const [fault, setFault] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
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
          <p className="quiet">For the customer, under a link nobody can guess:</p>
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
          {busy ? 'Making the link …' : 'Share offer'}
        </button>
      )}
      {fault && (
        <p role="alert" className="mt-1 text-[12px] text-clay">
          {fault}
        </p>
      )}
    </div>
  )
}
