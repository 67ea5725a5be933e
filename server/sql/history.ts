import { z } from 'zod'
import { many, maybeOne, run, type Runner } from '../database'
import { feedColumns, fromJson, toFeedEdit, type FeedEdit } from './documents'

/** An edit of the log: of a revision of the job, at a place among that revision's edits. */
export interface Place {
  readonly revision: number
  readonly position: number
}

/** An edit with what it takes to read it in later years. */
export interface PastEdit extends FeedEdit {
  readonly kinds: Readonly<Record<string, number>> | null
  readonly position: number
}

/** Of edits of before the log had an order nothing is told. */
const beforeHere =
  'job_id = ? AND job_revision > 0 AND (job_revision < ? OR (job_revision = ? AND position < ?))'

const sizeSchema = z.object({ job_revision: z.number(), position: z.number(), bytes: z.number() })

/** Places of the last edits before a place, the newest first, and the bytes of each. */
export async function manyEditSizes(jobId: string, before: Place, most: number) {
  const rows = await many(
    'sizes of edits',
    `SELECT job_revision, position, LENGTH(body) AS bytes FROM edit WHERE ${beforeHere}
    ORDER BY job_revision DESC, position DESC LIMIT ${Math.trunc(most)}`,
    [jobId, before.revision, before.revision, before.position],
  )
  return rows.map((row) => {
    const { job_revision, position, bytes } = sizeSchema.parse(row)
    return { revision: job_revision, position, bytes }
  })
}

const pastSchema = z.object({
  position: z.number(),
  kinds: z.preprocess(
    (value) => (value === null ? null : fromJson(value)),
    z.record(z.string(), z.number()).nullable(),
  ),
})

/** The last edits before a place, the newest first. */
export async function manyEditsBefore(jobId: string, before: Place, most: number): Promise<PastEdit[]> {
  const rows = await many(
    'edits before',
    `SELECT e.position, e.kinds, ${feedColumns} WHERE ${beforeHere.replaceAll(/\b(job_id|job_revision|position)\b/g, 'e.$1')}
    ORDER BY e.job_revision DESC, e.position DESC LIMIT ${Math.trunc(most)}`,
    [jobId, before.revision, before.revision, before.position],
  )
  return rows.map((row) => ({ ...toFeedEdit(row), ...pastSchema.parse(row) }))
}

const countSchema = z.object({ count: z.number() })

/** How many edits of a job the log tells of before a place. */
export async function countEdits(jobId: string, before: Place): Promise<number> {
  const row = await maybeOne('count edits', `SELECT COUNT(*) AS count FROM edit WHERE ${beforeHere}`, [
    jobId,
    before.revision,
    before.revision,
    before.position,
  ])
  return countSchema.parse(row).count
}

const versionSchema = z.object({
  id: z.string(),
  name: z.string(),
  job_revision: z.number(),
  designer: z.string(),
  made_at: z.date(),
})

/** Moments of a job that have a name, the latest first. */
export async function manyVersions(jobId: string) {
  const rows = await many(
    'versions of a job',
    `SELECT v.id, v.name, v.job_revision, d.name AS designer, v.made_at
    FROM job_version v JOIN designer d ON d.id = v.designer_id
    WHERE v.job_id = ? ORDER BY v.job_revision DESC, v.made_at DESC`,
    [jobId],
  )
  return rows.map((row) => {
    const { id, name, job_revision, designer, made_at } = versionSchema.parse(row)
    return { id, name, revision: job_revision, by: designer, at: made_at.toISOString() }
  })
}

/** Storing it twice under its id stores it once. */
export const insertVersion = (
  jobId: string,
  version: { readonly id: string; readonly name: string; readonly revision: number },
  designerId: string,
  runner: Runner,
) =>
  run(
    'insert version',
    'INSERT INTO job_version (job_id, id, name, job_revision, designer_id) VALUES (?, ?, ?, ?, ?) ON DUPLICATE KEY UPDATE id = id',
    [jobId, version.id, version.name, version.revision, designerId],
    runner,
  )

export const removeVersion = (jobId: string, id: string) =>
  run('remove version', 'DELETE FROM job_version WHERE job_id = ? AND id = ?', [jobId, id])

export async function countVersions(jobId: string, runner: Runner): Promise<number> {
  const row = await maybeOne(
    'count versions',
    'SELECT COUNT(*) AS count FROM job_version WHERE job_id = ?',
    [jobId],
    runner,
  )
  return countSchema.parse(row).count
}
