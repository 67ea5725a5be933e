'use client'

import { useEffect, useState } from 'react'
import { useStore } from 'zustand'
import { waysToPay } from '@/core/kinds/offer/payment'
import { Fault } from '@/core/model/fault'
import { later } from '@/words/en/later'
import { momentName } from '@/words/format'
import { useBench, useSayer, useSite } from '../../context'
import { listOffers, sendOffer, withdrawOffer, type ListedOffer } from '../../requests'

/** Links for the customer: each an offer as it was sent, which does not move when the job does. */
export function SentOffers({ optionId }: { readonly optionId: string }) {
  const { jobId, outbox, sync } = useBench()
  const [offers, setOffers] = useState<readonly ListedOffer[]>([])
  const [fault, setFault] = useState<Fault | null>(null)
  const [busy, setBusy] = useState(false)
  const sayer = useSayer()
  const { locale } = useSite()
  const day = (at: string) => momentName(at, locale)
  const status = useStore(outbox.store, (s) => s.status)
  const waits = useStore(outbox.store, (s) => s.pending.length + s.conflicts.length > 0)
  const list = async () => {
    const answer = await listOffers(jobId)
    if ('fault' in answer) setFault(answer.fault)
    else setOffers(answer.offers)
  }
  const { revision } = sync
  useEffect(() => {
    // What is on its way to the server makes an offer out of date once it is there.
    if (status === 'saving') return
    let gone = false
    void listOffers(jobId).then((answer) => {
      if (!gone && !('fault' in answer)) setOffers(answer.offers)
    })
    return () => {
      gone = true
    }
  }, [jobId, status, revision])
  const send = async () => {
    setBusy(true)
    setFault(null)
    // Sent is what is stored: everything that waits goes first.
    outbox.flush()
    if (await stored(outbox.store)) {
      const answer = await sendOffer(jobId, optionId)
      if ('fault' in answer) setFault(answer.fault)
      else await list()
    } else setFault(new Fault('server-away'))
    setBusy(false)
  }
  const withdraw = async (offer: ListedOffer) => {
    const answer = await withdrawOffer(jobId, offer.id, !offer.withdrawn)
    if ('fault' in answer) setFault(answer.fault)
    await list()
  }
  const own = offers.filter((offer) => offer.optionId === optionId)
  const valid = own.find(({ withdrawn, path }) => !withdrawn && path !== null)
  const newer = valid?.outdated === true || waits
  return (
    <section aria-label="Offers sent" className="mt-3 border-t border-line pt-2">
      {valid && !newer ? (
        <Latest offer={valid} />
      ) : (
        <button
          type="button"
          className="button button-main w-full"
          disabled={busy}
          onClick={() => void send()}
        >
          {busy ? 'Computing the offer …' : valid ? 'Share the newer offer' : 'Share offer'}
        </button>
      )}
      {valid && newer && (
        <p className="mt-1 text-[12px] text-clay">
          The job has changed since {day(valid.sentAt)}. The customer still sees what was sent then.
        </p>
      )}
      {fault && (
        <p role="alert" className="mt-1 text-[12px] text-clay">
          {sayer.fault(fault)}
        </p>
      )}
      {offers.length > 0 && (
        <>
          <h3 className="quiet mt-3">Offers sent</h3>
          <ul>
            {offers.map((offer) => (
              <li key={offer.id} className="border-b border-line py-1.5 text-[12px] last:border-0">
                <div className="flex items-baseline justify-between gap-2">
                  {offer.path && !offer.withdrawn ? (
                    <a className="truncate underline" href={offer.path} target="_blank" rel="noreferrer">
                      {offer.name}
                    </a>
                  ) : (
                    <span className="truncate line-through">{offer.name}</span>
                  )}
                  {!offer.accepted && (
                    <button
                      type="button"
                      className="shrink-0 cursor-pointer text-verdigris underline"
                      onClick={() => void withdraw(offer)}
                    >
                      {offer.withdrawn ? 'Send again' : 'Withdraw'}
                    </button>
                  )}
                </div>
                <p className="quiet">
                  {day(offer.sentAt)}
                  {offer.by && `, ${offer.by}`}
                </p>
                <p className="quiet">
                  {offer.withdrawn
                    ? 'withdrawn'
                    : offer.seenAt
                      ? `seen ${offer.seen} ${offer.seen === 1 ? 'time' : 'times'}, last ${day(offer.seenAt)}`
                      : 'not seen yet'}
                </p>
                {offer.hasFile && (
                  <a className="text-verdigris underline" href={`/api/jobs/${jobId}/offers/${offer.id}/file`}>
                    {later.money.offerFile}
                  </a>
                )}
                <Answers offer={offer} day={day} />
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}

/** What the customer has answered, or until when that is possible. */
function Answers({
  offer: { accepted, expiresAt, withdrawn, questions },
  day,
}: {
  readonly offer: ListedOffer
  readonly day: (at: string) => string
}) {
  const sayer = useSayer()
  const way = waysToPay.find((one) => one === accepted?.way)
  return (
    <>
      {accepted ? (
        <p className="font-semibold text-verdigris">
          {sayer.say(later.money.accepted, { name: accepted.by, at: day(accepted.at) })}
          {way && `, ${later.money.way[way]}`}
        </p>
      ) : (
        expiresAt &&
        !withdrawn && <p className="quiet">{sayer.say(later.money.validUntil, { at: day(expiresAt) })}</p>
      )}
      {questions.map(({ by, question, at }) => (
        <blockquote key={`${at} ${by}`} className="mt-1 border-l-2 border-straw pl-2">
          {question}
          <footer className="quiet">
            {by}, {day(at)}
          </footer>
        </blockquote>
      ))}
    </>
  )
}

/** Waits a while until nothing waits to be stored. */
async function stored(store: ReturnType<typeof useBench>['outbox']['store']): Promise<boolean> {
  for (let i = 0; i < 100; i++) {
    const { pending, conflicts } = store.getState()
    if (conflicts.length > 0) return false
    if (pending.length === 0) return true
    await new Promise((go) => setTimeout(go, 100))
  }
  return false
}

function Latest({ offer: { path } }: { readonly offer: ListedOffer }) {
  if (path === null) return null
  return (
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
  )
}
