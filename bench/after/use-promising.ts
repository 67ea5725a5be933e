import { useEffect, useMemo, useState } from 'react'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { type Promising } from '@/workers/after-messages'
import { useBench, useHouse, useOption } from '../context'
import { answered, listOffers, type ListedOffer } from '../requests'

/** Value of the choice that no offer has as its id. */
export const asItIs = 'option'

/** An offer that the customer has accepted. */
export type AcceptedOffer = ListedOffer & { readonly accepted: NonNullable<ListedOffer['accepted']> }

const isAccepted = (offer: ListedOffer): offer is AcceptedOffer => offer.accepted !== null && offer.hasFile

/** Those that were accepted, the last of them first. */
const acceptedOf = (offers: readonly ListedOffer[]): AcceptedOffer[] =>
  offers.filter(isAccepted).toSorted((a, b) => (a.accepted.at > b.accepted.at ? -1 : 1))

/** What promises, and where its weather is from; undefined while it is fetched. */
export interface Promised {
  readonly promising: Promising
  /** The station that an offer was computed with; null for that of the site. */
  readonly stationId: string | null
}

/** Its fields are the core's: it is read where it is run. */
const fileSchema = z.looseObject({ station: z.string() })
type OfferFile = z.infer<typeof fileSchema>

/** What is held against what was made: the offer that was accepted last, another, or the option as it is now. */
export function usePromising(): {
  /** Undefined while nobody knows. */
  readonly offers: readonly AcceptedOffer[] | undefined
  /** Whether they could not be asked for. */
  readonly away: boolean
  readonly chosen: string
  readonly choose: (id: string) => void
  readonly promised: Promised | Fault | undefined
} {
  const { jobId } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const [offers, setOffers] = useState<readonly AcceptedOffer[]>()
  const [away, setAway] = useState(false)
  const [wanted, setWanted] = useState<string | null>(null)
  const [files, setFiles] = useState<ReadonlyMap<string, OfferFile | Fault>>(new Map())
  useEffect(() => {
    let gone = false
    void listOffers(jobId).then((answer) => {
      if (gone) return
      // Whoever may not see offers compares with the option.
      setAway('fault' in answer && answer.fault.code !== 'not-your-role')
      setOffers('fault' in answer ? [] : acceptedOf(answer.offers))
    })
    return () => {
      gone = true
    }
  }, [jobId])
  const chosen = wanted ?? offers?.[0]?.id ?? asItIs
  const isOffer = offers !== undefined && chosen !== asItIs
  useEffect(() => {
    if (!isOffer) return
    let gone = false
    void answered(() => fetch(`/api/jobs/${jobId}/offers/${chosen}/file`), fileSchema).then((answer) => {
      const file = answer.fault instanceof Fault ? answer.fault : (answer as OfferFile)
      if (!gone) setFiles((before) => new Map([...before, [chosen, file]]))
    })
    return () => {
      gone = true
    }
  }, [jobId, isOffer, chosen])
  const file = files.get(chosen)
  const known = offers !== undefined
  // The same as long as nothing changes: what rests on it takes seconds.
  const promised = useMemo(
    () =>
      !known ? undefined : isOffer ? promisedBy(file) : { promising: { house, option }, stationId: null },
    [known, isOffer, file, house, option],
  )
  return { offers, away, chosen, choose: setWanted, promised }
}

const promisedBy = (offerFile: OfferFile | Fault | undefined): Promised | Fault | undefined =>
  offerFile === undefined || offerFile instanceof Fault
    ? offerFile
    : { promising: { offerFile }, stationId: offerFile.station }
