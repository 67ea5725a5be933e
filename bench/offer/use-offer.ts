'use client'

import { theOne } from '@/core/kinds/documents'
import { offerId, type Offer } from '@/core/kinds/offer/offer'
import { useBench, useOption, useSession } from '../context'

/** The offer of the option on the screen, and how its fields are set; setting answers what is wrong. */
export function useOffer() {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const offer = theOne(useOption(), 'offer', offerId)
  return {
    offer,
    of: { documentId: optionId, objectId: offerId },
    set: (label: string, fields: Partial<Offer>) => documents.set(label, optionId, offerId, fields),
  }
}

/** A list with one of its members otherwise. */
export const changedAt = <T>(list: readonly T[], k: number, fields: Partial<T>): T[] =>
  list.map((one, i) => (i === k ? { ...one, ...fields } : one))

/** A list without one of its members. */
export const without = <T>(list: readonly T[], k: number): T[] => list.filter((_, i) => i !== k)
