import { z } from 'zod'
import { many, maybeOne, run, type Runner } from '../database'

const rowSchema = z.object({
  id: z.string(),
  about: z.string(),
  answers: z.string().nullable(),
  body: z.string(),
  designer_id: z.string(),
  designer: z.string(),
  made_at: z.date(),
  resolved_at: z.date().nullable(),
  resolver: z.string().nullable(),
})

/** A comment on a job, as it is stored. */
export interface StoredComment {
  readonly id: string
  readonly about: string
  /** The first of its thread; null where it is that itself. */
  readonly answers: string | null
  readonly text: string
  readonly designerId: string
  readonly by: string
  readonly at: string
  readonly resolved: { readonly by: string; readonly at: string } | null
}

const columns = `c.id, c.about, c.answers, c.body, c.designer_id, d.name AS designer, c.made_at, c.resolved_at, r.name AS resolver
  FROM comment c JOIN designer d ON d.id = c.designer_id LEFT JOIN designer r ON r.id = c.resolved_by`

function toComment(row: unknown): StoredComment {
  const { designer_id, designer, made_at, resolved_at, resolver, body, ...comment } = rowSchema.parse(row)
  return {
    ...comment,
    text: body,
    designerId: designer_id,
    by: designer,
    at: made_at.toISOString(),
    resolved: resolved_at && resolver !== null ? { by: resolver, at: resolved_at.toISOString() } : null,
  }
}

/** In the order they were made. */
export async function manyComments(jobId: string): Promise<StoredComment[]> {
  const rows = await many(
    'comments of a job',
    `SELECT ${columns} WHERE c.job_id = ? ORDER BY c.made_at, c.id`,
    [jobId],
  )
  return rows.map(toComment)
}

export async function maybeOneComment(
  jobId: string,
  id: string,
  runner: Runner,
): Promise<StoredComment | undefined> {
  const row = await maybeOne(
    'comment',
    `SELECT ${columns} WHERE c.job_id = ? AND c.id = ?`,
    [jobId, id],
    runner,
  )
  return row && toComment(row)
}

const countSchema = z.object({ count: z.number() })

export async function countComments(jobId: string, runner: Runner): Promise<number> {
  const row = await maybeOne(
    'count comments',
    'SELECT COUNT(*) AS count FROM comment WHERE job_id = ?',
    [jobId],
    runner,
  )
  return countSchema.parse(row).count
}

/** Answers to a comment by anyone but one designer. */
export async function countOthersAnswers(
  jobId: string,
  id: string,
  designerId: string,
  runner: Runner,
): Promise<number> {
  const row = await maybeOne(
    'count answers of others',
    'SELECT COUNT(*) AS count FROM comment WHERE job_id = ? AND answers = ? AND designer_id <> ?',
    [jobId, id, designerId],
    runner,
  )
  return countSchema.parse(row).count
}

/** Storing it twice under its id stores it once. */
export const insertComment = (
  jobId: string,
  comment: Pick<StoredComment, 'id' | 'about' | 'answers' | 'text'>,
  designerId: string,
  runner: Runner,
) =>
  run(
    'insert comment',
    'INSERT INTO comment (job_id, id, about, answers, body, designer_id) VALUES (?, ?, ?, ?, ?, ?) ON DUPLICATE KEY UPDATE id = id',
    [jobId, comment.id, comment.about, comment.answers, comment.text, designerId],
    runner,
  )

/** @param by whose word it is; null opens it again */
export const resolveComment = (jobId: string, id: string, by: string | null, runner: Runner) =>
  run(
    'resolve comment',
    'UPDATE comment SET resolved_at = IF(? IS NULL, NULL, CURRENT_TIMESTAMP(3)), resolved_by = ? WHERE job_id = ? AND id = ?',
    [by, by, jobId, id],
    runner,
  )

/** With its answers, where it has any. */
export const removeComment = (jobId: string, id: string, runner: Runner) =>
  run('remove comment', 'DELETE FROM comment WHERE job_id = ? AND id = ?', [jobId, id], runner)

/** Counts the open threads again, and lets screens hear that something has changed. */
export const markComments = (jobId: string, runner: Runner) =>
  run(
    'mark comments',
    `UPDATE job SET comment_mark = comment_mark + 1, open_comments =
      (SELECT COUNT(*) FROM comment WHERE job_id = ? AND answers IS NULL AND resolved_at IS NULL) WHERE id = ?`,
    [jobId, jobId],
    runner,
  )
