import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { idSchema } from '@/core/model/object-base'
import { ruleMessage } from '@/core/model/rules'
import { transaction, type Runner } from './database'
import {
  countComments,
  countOthersAnswers,
  insertComment,
  manyComments,
  markComments,
  maybeOneComment,
  removeComment,
  resolveComment,
  type StoredComment,
} from './sql/comments'
import { maybeOneJob, maybeOneJobForUpdate } from './sql/jobs'
import { type Designer } from './sql/people'

/** Comments of one job. */
const mostComments = 1000

/** What somebody says of a job. The id is made by whoever says it. */
export const newCommentSchema = z.strictObject({
  id: z.uuid(),
  /** An object's id, `line:` and a line's, or nothing: the whole job. */
  about: z.union([z.literal(''), idSchema, z.string().regex(/^line:[a-z][a-z0-9-]{0,63}$/)]),
  answers: z.uuid().nullable(),
  text: z
    .string()
    .trim()
    .min(1, ruleMessage('missing-text'))
    .max(2000, ruleMessage('at-most-characters', { limit: 2000 })),
})

/** A comment as a screen of one designer gets it. */
export type ShownComment = Omit<StoredComment, 'designerId'> & { readonly mine: boolean }

/** @throws Fault `no-such-job` */
export async function commentsOf(who: Designer, jobId: string): Promise<ShownComment[]> {
  const row = await maybeOneJob(who.teamId, jobId)
  if (!row || row.deleted) throw new Fault('no-such-job')
  return (await manyComments(jobId)).map(({ designerId, ...comment }) => ({
    ...comment,
    mine: designerId === who.id,
  }))
}

/** Does something to a job's comments; screens hear of it. @throws Fault `no-such-job` */
const change = (name: string, who: Designer, jobId: string, work: (runner: Runner) => Promise<void>) =>
  transaction(name, async (runner) => {
    const row = await maybeOneJobForUpdate(who.teamId, jobId, runner)
    if (!row || row.deleted) throw new Fault('no-such-job')
    await work(runner)
    await markComments(jobId, runner)
  })

/**
 * Says something; an answer opens its thread again.
 * @throws Fault `no-such-job`, `no-such-comment`, `too-many-comments`
 */
export const sayComment = (who: Designer, jobId: string, comment: z.infer<typeof newCommentSchema>) =>
  change('say comment', who, jobId, async (runner) => {
    // Sent before, and its answer lost.
    if (await maybeOneComment(jobId, comment.id, runner)) return
    if ((await countComments(jobId, runner)) >= mostComments)
      throw new Fault('too-many-comments', { limit: mostComments })
    const first = comment.answers === null ? null : await maybeOneComment(jobId, comment.answers, runner)
    if (first === undefined || (first && first.answers !== null)) throw new Fault('no-such-comment')
    await insertComment(jobId, { ...comment, about: first?.about ?? comment.about }, who.id, runner)
    if (first?.resolved) await resolveComment(jobId, first.id, null, runner)
  })

/** Says that nothing is left to do of a thread, or that there is. @throws Fault `no-such-job`, `no-such-comment` */
export const settleComment = (who: Designer, jobId: string, id: string, resolved: boolean) =>
  change('settle comment', who, jobId, async (runner) => {
    const comment = await maybeOneComment(jobId, id, runner)
    if (!comment || comment.answers !== null) throw new Fault('no-such-comment')
    await resolveComment(jobId, id, resolved ? who.id : null, runner)
  })

/**
 * Takes back what one has said, with one's own answers to it; what somebody else has answered keeps it.
 * @throws Fault `no-such-job`, `no-such-comment`, `not-yours`, `answered`
 */
export const takeBackComment = (who: Designer, jobId: string, id: string) =>
  change('take back comment', who, jobId, async (runner) => {
    const comment = await maybeOneComment(jobId, id, runner)
    if (!comment) throw new Fault('no-such-comment')
    if (comment.designerId !== who.id) throw new Fault('not-yours')
    if ((await countOthersAnswers(jobId, id, who.id, runner)) > 0) throw new Fault('answered')
    await removeComment(jobId, id, runner)
  })
