import { randomUUID } from 'node:crypto'
import { Fault } from '@/core/model/fault'
import { type GuestRole } from '@/core/model/roles'
import { publicOrigin } from './accounts/mail'
import { checkPassword, hashPassword, isPassword } from './accounts/passwords'
import { countAttempt, forgetAttempts } from './accounts/attempts'
import { transaction } from './database'
import { digestOf, newSecret } from './digest'
import { seal, unseal } from './seal'
import { insertNote } from './sql/audit'
import {
  countLinkSeen,
  insertJobLink,
  manyJobLinks,
  maybeOneJobLinkByDigest,
  withdrawJobLink,
  type JobLink,
} from './sql/job-links'
import { maybeOneJob } from './sql/jobs'
import { insertDesigner, type Member } from './sql/people'

/** Links of a job that hold at the same time. */
const mostLinks = 100

/** A link in the list of a job's. */
export interface ListedLink {
  readonly id: string
  readonly name: string
  readonly role: GuestRole
  /** Null when it can't be shown again. */
  readonly address: string | null
  readonly hasPassword: boolean
  readonly by: string | null
  readonly madeAt: string
  readonly expiresAt: string | null
  /** Times that it was opened, and when last. */
  readonly seen: number
  readonly seenAt: string | null
}

const addressOf = (secret: string) => `${publicOrigin()}/link/${secret}`

/** @throws Fault `no-such-job` */
export async function linksOf({ teamId }: Member, jobId: string): Promise<ListedLink[]> {
  const row = await maybeOneJob(teamId, jobId)
  if (!row || row.deleted) throw new Fault('no-such-job')
  const links = await manyJobLinks(teamId, jobId)
  return Promise.all(
    links.map(async (link) => {
      const secret = await unseal(link.sealedSecret)
      return {
        id: link.id,
        name: link.name,
        role: link.role,
        address: secret === null ? null : addressOf(secret),
        hasPassword: link.passwordHash !== null,
        by: link.madeBy,
        madeAt: link.madeAt.toISOString(),
        expiresAt: link.expiresAt?.toISOString() ?? null,
        seen: link.seen,
        seenAt: link.seenAt?.toISOString() ?? null,
      }
    }),
  )
}

/**
 * Makes a link to one job.
 * @param given.name for whom it is: so its edits and comments are signed
 * @param given.password empty for none
 * @param given.days that it holds; null until it is withdrawn
 * @throws Fault `no-such-job`, `too-many-links`, and as `checkPassword` does
 */
export async function makeLink(
  who: Member,
  jobId: string,
  given: {
    readonly name: string
    readonly role: GuestRole
    readonly password: string
    readonly days: number | null
  },
  place: string,
): Promise<void> {
  const row = await maybeOneJob(who.teamId, jobId)
  if (!row || row.deleted) throw new Fault('no-such-job')
  if ((await manyJobLinks(who.teamId, jobId)).length >= mostLinks)
    throw new Fault('too-many-links', { limit: mostLinks })
  if (given.password !== '') checkPassword(given.password, [given.name, row.name])
  const passwordHash = given.password === '' ? null : await hashPassword(given.password)
  const [id, designerId, secret] = [randomUUID(), randomUUID(), newSecret()]
  const sealedSecret = await seal(secret)
  await transaction('make link', async (runner) => {
    // Stored before, by a commit whose answer was lost.
    if (await maybeOneJobLinkByDigest(digestOf(secret))) return
    await insertDesigner(designerId, who.teamId, given.name, runner, given.role)
    const link = { id, jobId, designerId, sealedSecret, passwordHash, digest: digestOf(secret) }
    await insertJobLink({ ...link, madeBy: who.id, days: given.days }, runner)
    const about = `${row.name}, for ${given.name}, ${given.role}`
    await insertNote({ teamId: who.teamId, designerId: who.id, what: 'link-made', about, place }, runner)
  })
}

/** @throws Fault `no-such-link` */
export const withdrawLink = (who: Member, jobId: string, id: string, place: string): Promise<void> =>
  transaction('withdraw link', async (runner) => {
    if ((await withdrawJobLink(who.teamId, jobId, id, runner)) === 0) throw new Fault('no-such-link')
    const note = { teamId: who.teamId, designerId: who.id, what: 'link-withdrawn', about: '', place } as const
    await insertNote(note, runner)
  })

/** The link that a secret opens. @throws Fault `link-over` */
export async function linkAt(secret: string): Promise<JobLink> {
  const link = await maybeOneJobLinkByDigest(digestOf(secret))
  if (!link) throw new Fault('link-over')
  return link
}

/**
 * Opens a link, and counts that it was.
 * @throws Fault `link-over`, `wrong-link-password`, `sign-in-locked`
 */
export async function openLinkWith(secret: string, password: string): Promise<JobLink> {
  const link = await linkAt(secret)
  if (link.passwordHash !== null) {
    await countAttempt(digestOf(secret))
    if (!(await isPassword(password, link.passwordHash))) throw new Fault('wrong-link-password')
    await forgetAttempts(digestOf(secret))
  }
  await countLinkSeen(link.id)
  return link
}
