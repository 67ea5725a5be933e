import { createHash, randomBytes } from 'node:crypto'
import { Fault } from '@/core/model/fault'
import { loadJob } from './jobs'
import { insertShare, maybeOneShare } from './sql/shares'

const digestOf = (token: string) => createHash('sha256').update(token).digest('hex')

/**
 * A link to an option's proposal: 32 random bytes nobody can guess; the database keeps only their digest.
 * @throws Fault `no-such-job`, `no-such-option`.
 */
export async function shareOption(teamId: string, jobId: string, optionId: string): Promise<string> {
  const { job } = await loadJob(teamId, jobId)
  if (!job.options.some((option) => option.id === optionId))
    throw new Fault('no-such-option', { letters: 'none' }, 'optionId')
  const token = randomBytes(32).toString('base64url')
  await insertShare(digestOf(token), jobId, optionId)
  return token
}

/** @throws Fault `no-such-offer` for an unknown link or an option that is gone. */
export async function sharedOption(token: string) {
  const share = /^[\w-]{43}$/.test(token) ? await maybeOneShare(digestOf(token)) : undefined
  if (!share) throw new Fault('no-such-offer')
  const { job } = await loadJob(share.teamId, share.jobId)
  const option = job.options.find((o) => o.id === share.documentId)
  if (!option) throw new Fault('no-such-offer')
  return { teamId: share.teamId, job, option }
}
