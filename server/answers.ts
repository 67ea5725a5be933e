import { randomUUID } from 'node:crypto'
import { Fault } from '@/core/model/fault'
import { type Acceptance, type OfferState, signatureSchema } from '@/proposal/answer'
import { waysToPay } from '@/core/kinds/offer/payment'
import { transaction } from './database'
import { digestOf } from './digest'
import { offerAt, proposalIn } from './offers'
import { acceptShare, insertQuestion } from './sql/answers'
import { advanceStatus } from './sql/job-progress'
import { type Share } from './sql/shares'

const mostQuestions = 50

/** What belongs to an offer beside what was sent. It is called for all time by the digest of what was sent. */
export const stateOf = (share: Share & { readonly body: Buffer }): OfferState => ({
  digest: digestOf(share.body),
  expiresAt: share.expiresAt?.toISOString() ?? null,
  accepted: share.accepted && {
    at: share.accepted.at.toISOString(),
    name: share.accepted.by,
    way: waysToPay.find((way) => way === share.accepted?.way) ?? null,
    signature:
      share.accepted.signature === null ? null : signatureSchema.parse(JSON.parse(share.accepted.signature)),
  },
})

/**
 * The offer stands as it was accepted from now on.
 * @throws Fault `no-such-offer`, `offer-withdrawn`, `offer-expired`, `offer-accepted`, `offer-changed`
 */
export async function acceptOffer(
  token: string,
  { name, way, signature, digest }: Acceptance,
): Promise<void> {
  const share = await offerAt(token)
  if (share.accepted) throw new Fault('offer-accepted')
  const { ways = [] } = await proposalIn(share.body)
  const isShown = way === null ? ways.length === 0 : ways.some((one) => one.way === way)
  if (digest !== digestOf(share.body) || !isShown) throw new Fault('offer-changed')
  let tries = 0
  const kept = await transaction('accept offer', async (runner) => {
    tries++
    const kept = await acceptShare(
      { shareId: share.id, by: name, way, digest, signature: signature && JSON.stringify(signature) },
      runner,
    )
    if (kept > 0) await advanceStatus(share.jobId, 'accepted', runner)
    return kept > 0
  })
  if (kept) return
  const { accepted } = await offerAt(token)
  // Its own answer, of which the word was lost on the way.
  if (tries > 1 && accepted?.by === name && accepted.way === way) return
  // Another was faster, or it was withdrawn or ran out meanwhile: that is what is told.
  throw new Fault(accepted ? 'offer-accepted' : 'offer-expired')
}

/** @throws Fault as `offerAt` does, and `too-many-questions` */
export async function askAboutOffer(token: string, name: string, question: string): Promise<void> {
  const share = await offerAt(token)
  if ((await insertQuestion(randomUUID(), share.id, name, question, mostQuestions)) === 0)
    throw new Fault('too-many-questions')
}
