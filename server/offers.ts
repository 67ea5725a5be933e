import { randomUUID } from 'node:crypto'
import { promisify } from 'node:util'
import { gunzip } from 'node:zlib'
import { ofKind } from '@/core/kinds/documents'
import { defaultOffer } from '@/core/kinds/offer/offer'
import { Fault } from '@/core/model/fault'
import { type ProposalData } from '@/proposal/shape'
import { offerOf } from './compute/compute'
import { transaction } from './database'
import { designDigest } from './design-digest'
import { designInput } from './design-input'
import { digestOf, newSecret } from './digest'
import { houseDocumentId, loadJob } from './jobs'
import { letterheadOf } from './letterhead'
import { log } from './log'
import { seal, unseal } from './seal'
import { manyQuestions } from './sql/answers'
import { advanceStatus } from './sql/job-progress'
import {
  countSeen,
  freezeShare,
  insertShare,
  manyShares,
  maybeOneShare,
  maybeSealedToken,
  maybeShareFile,
  withdrawShare,
  type SentOffer,
  type Share,
} from './sql/shares'
import { type Designer } from './sql/people'

const unzip = promisify(gunzip)
const pathOf = (token: string) => `/offer/${token}`

/**
 * Computes an option's proposal and keeps it as it is, under a link of 32 random bytes that nobody can guess. What the
 * customer sees does not move when the job does.
 * @param id of the offer: with the same one twice it is sent once
 * @returns the path of its page
 * @throws Fault `no-such-job`, `no-such-option`, and those of the chain
 */
export async function sendOffer(
  who: Pick<Designer, 'id' | 'teamId'>,
  jobId: string,
  optionId: string,
  signal?: AbortSignal,
  id: string = randomUUID(),
): Promise<string> {
  const sentBefore = async () => {
    const sealed = await maybeSealedToken(who.teamId, id)
    const token = sealed === undefined ? null : await unseal(sealed)
    return token === null ? null : pathOf(token)
  }
  const before = await sentBefore()
  if (before !== null) return before
  const { job, revisions } = await loadJob(who.teamId, jobId)
  const option = job.options.find(({ id }) => id === optionId)
  if (!option) throw new Fault('no-such-option', { letters: 'none' }, 'optionId')
  const design = await designInput(who.teamId, job.house, option.objects)
  const { body, file } = await offerOf(job.name, optionId, design, await letterheadOf(who.teamId), signal)
  const [offer] = ofKind(option.objects, 'offer')
  const token = newSecret()
  const share = {
    id,
    tokenDigest: digestOf(token),
    sealedToken: await seal(token),
    jobId,
    documentId: optionId,
    name: offer?.name ?? optionId,
    houseRevision: revisions[houseDocumentId] ?? 0,
    optionRevision: revisions[optionId] ?? 0,
    designDigest: designDigest(job.house, option.objects),
    designerId: who.id,
    validDays: offer?.validDays ?? defaultOffer.validDays,
    body: Buffer.from(body),
    file: Buffer.from(file),
  }
  await transaction('send offer', async (runner) => {
    // First: a share holds its job for reading, and two of them at once would wait for each other.
    await advanceStatus(jobId, 'offered', runner)
    await insertShare(share, runner)
  })
  // Whoever sent the same one meanwhile sent it with another secret.
  return (await sentBefore()) ?? pathOf(token)
}

/** An offer in the list of a job's. */
export interface ListedOffer {
  readonly id: string
  readonly optionId: string
  readonly name: string
  readonly sentAt: string
  readonly by: string | null
  /** Times that its page was opened, and when last. */
  readonly seen: number
  readonly seenAt: string | null
  readonly withdrawn: boolean
  readonly expiresAt: string | null
  readonly accepted: { readonly at: string; readonly by: string; readonly way: string | null } | null
  /** What the customer asked. */
  readonly questions: readonly { readonly by: string; readonly question: string; readonly at: string }[]
  /** Whether what it was made from was edited since, or the option is gone. */
  readonly outdated: boolean
  /** Whether there is a file to verify it from. */
  readonly hasFile: boolean
  /** Null when the link can't be shown again. */
  readonly path: string | null
}

/** @throws Fault `no-such-job` */
export async function offersOf(teamId: string, jobId: string): Promise<ListedOffer[]> {
  const { revisions, job } = await loadJob(teamId, jobId)
  const [shares, questions] = await Promise.all([manyShares(teamId, jobId), manyQuestions(teamId, jobId)])
  const digests = new Map<string, string>()
  /** Photos and the like may change while an offer stands: where it was edited since, what it is made from is looked at. */
  const isOutdated = ({ documentId, houseRevision, optionRevision, designDigest: sent }: SentOffer) => {
    const option = job.options.find(({ id }) => id === documentId)
    if (!option) return true
    if (houseRevision === revisions[houseDocumentId] && optionRevision === revisions[documentId]) return false
    const now = digests.get(documentId) ?? designDigest(job.house, option.objects)
    digests.set(documentId, now)
    return now !== sent
  }
  return Promise.all(
    shares.map(async (share) => {
      const token = share.sealedToken === null ? null : await unseal(share.sealedToken)
      return {
        id: share.id,
        optionId: share.documentId,
        name: share.name,
        sentAt: share.createdAt.toISOString(),
        by: share.designer,
        seen: share.seen,
        seenAt: share.seenAt?.toISOString() ?? null,
        withdrawn: share.withdrawnAt !== null,
        expiresAt: share.expiresAt?.toISOString() ?? null,
        accepted: share.acceptedAt && {
          at: share.acceptedAt.toISOString(),
          by: share.acceptedBy ?? '',
          way: share.acceptedWay,
        },
        questions: questions
          .filter(({ shareId }) => shareId === share.id)
          .map(({ by, question, at }) => ({ by, question, at: at.toISOString() })),
        outdated: isOutdated(share),
        hasFile: share.hasFile,
        path: token === null ? null : pathOf(token),
      }
    }),
  )
}

/** @throws Fault `no-such-offer` */
export async function withdrawOffer(
  teamId: string,
  jobId: string,
  offerId: string,
  withdrawn: boolean,
): Promise<void> {
  if ((await withdrawShare(teamId, jobId, offerId, withdrawn)) === 0) throw new Fault('no-such-offer')
}

/**
 * The file that an offer's figures can be verified from.
 * @throws Fault `no-such-offer`, also for one that was sent before there were such files
 */
export async function offerFileOf(teamId: string, jobId: string, offerId: string): Promise<Buffer> {
  const file = await maybeShareFile(teamId, jobId, offerId)
  if (!file) throw new Fault('no-such-offer')
  return unzip(file)
}

/**
 * What a link leads to.
 * @throws Fault `no-such-offer`, `offer-withdrawn`, `offer-expired`; one that was accepted stays readable
 */
export async function offerAt(token: string): Promise<Share & { readonly body: Buffer }> {
  const share = /^[\w-]{43}$/.test(token) ? await maybeOneShare(digestOf(token)) : undefined
  if (!share) throw new Fault('no-such-offer')
  if (share.withdrawn) throw new Fault('offer-withdrawn')
  if (share.expired && !share.accepted) throw new Fault('offer-expired')
  return { ...share, body: share.body ?? (await frozen(share)) }
}

/** A link from before offers were kept as they were sent: it is kept from now on. */
async function frozen({ id, teamId, jobId, documentId }: Share): Promise<Buffer> {
  const { job } = await loadJob(teamId, jobId).catch(() => {
    throw new Fault('no-such-offer')
  })
  const option = job.options.find((o) => o.id === documentId)
  if (!option) throw new Fault('no-such-offer')
  const design = await designInput(teamId, job.house, option.objects)
  const body = Buffer.from((await offerOf(job.name, documentId, design, await letterheadOf(teamId))).body)
  await freezeShare(id, body)
  return body
}

/** What the customer sees; offers sent by older builds have the usual page. */
export const proposalIn = async (body: Buffer): Promise<ProposalData> =>
  ({ page: defaultOffer.page, ...JSON.parse((await unzip(body)).toString('utf8')) }) as ProposalData

/** Counts a visit; the page is shown whatever becomes of that. */
export function countVisit(id: string): void {
  countSeen(id).catch((error: unknown) =>
    log.warn({ error: error instanceof Error ? error.message : 'unknown' }, 'visit not counted'),
  )
}
