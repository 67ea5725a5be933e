import { z } from 'zod'
import { versionOf } from '@/core/graph/version'
import { type DeepReadonly } from '@/core/model/object-base'
import { financeStage, powerStage } from '@/core/stages/finance'
import { siteStage } from '@/core/stages/site'
import { type World } from '@/core/stages/world'
import { maybeOne, many, run, type Runner } from '../database'

/** Which stages computed a summary. */
const version = versionOf<World>([financeStage, powerStage, siteStage])

/** What the list shows of a job, as it was computed for a revision. */
export const jobSummarySchema = z.object({
  kilowatts: z.number(),
  paybackYears: z.number().nullable(),
  picture: z.array(
    z.object({
      points: z.array(z.tuple([z.number(), z.number()])),
      tone: z.enum(['roof', 'shaded', 'obstruction', 'panel', 'neighbour', 'tree']),
    }),
  ),
})
export type JobSummary = DeepReadonly<z.infer<typeof jobSummarySchema>>

const rowSchema = z.object({
  id: z.string(),
  team_id: z.string(),
  name: z.string(),
  address: z.string(),
  revision: z.number(),
  summary: z.preprocess(
    (value): unknown => (typeof value === 'string' ? JSON.parse(value) : value),
    // What was stored long ago may look different: it is computed again.
    jobSummarySchema.extend({ version: z.string() }).nullable().catch(null),
  ),
  summary_revision: z.number().nullable(),
  touched_at: z.date(),
  deleted_at: z.date().nullable(),
})

export interface JobRow {
  readonly id: string
  readonly name: string
  readonly address: string
  readonly revision: number
  /** The last one computed; null where there is none. */
  readonly summary: JobSummary | null
  /** Whether it is of this revision, computed by the stages of today. */
  readonly summaryIsFresh: boolean
  readonly touchedAt: Date
  readonly deleted: boolean
}

const withoutVersion = ({ kilowatts, paybackYears, picture }: JobSummary): JobSummary => ({
  kilowatts,
  paybackYears,
  picture,
})

function toJob(row: unknown): JobRow {
  const r = rowSchema.parse(row)
  return {
    id: r.id,
    name: r.name,
    address: r.address,
    revision: r.revision,
    summary: r.summary && withoutVersion(r.summary),
    summaryIsFresh: r.summary_revision === r.revision && r.summary?.version === version,
    touchedAt: r.touched_at,
    deleted: r.deleted_at !== null,
  }
}

const columns = 'id, team_id, name, address, revision, summary, summary_revision, touched_at, deleted_at'

/** The team's jobs, last touched first. `search` matches name and address. */
export async function manyJobs(teamId: string, search: string): Promise<JobRow[]> {
  const like = `%${search.replace(/[\\%_]/g, '\\$&')}%`
  const rows = await many(
    'jobs of a team',
    `SELECT ${columns} FROM job JOIN (
      SELECT id AS found FROM job FORCE INDEX (job_search)
      WHERE team_id = ? AND deleted_at IS NULL ${search === '' ? '' : 'AND (name LIKE ? OR address LIKE ?)'}
      ORDER BY touched_at DESC LIMIT 200
    ) AS hits ON hits.found = job.id ORDER BY touched_at DESC`,
    search === '' ? [teamId] : [teamId, like, like],
  )
  return rows.map(toJob)
}

/** Deleted ones too, so that they can come back. */
export async function maybeOneJob(teamId: string, id: string, runner?: Runner): Promise<JobRow | undefined> {
  const row = await maybeOne(
    'job',
    `SELECT ${columns} FROM job WHERE team_id = ? AND id = ?`,
    [teamId, id],
    runner,
  )
  return row && toJob(row)
}

/** The same, locked until the transaction ends: whoever saves to a job waits for whoever was first. */
export async function maybeOneJobForUpdate(
  teamId: string,
  id: string,
  runner: Runner,
): Promise<JobRow | undefined> {
  const row = await maybeOne(
    'lock job',
    `SELECT ${columns} FROM job WHERE team_id = ? AND id = ? FOR UPDATE`,
    [teamId, id],
    runner,
  )
  return row && toJob(row)
}

export const insertJob = (id: string, teamId: string, name: string, address: string, runner: Runner) =>
  run(
    'insert job',
    'INSERT INTO job (id, team_id, name, address) VALUES (?, ?, ?, ?)',
    [id, teamId, name, address],
    runner,
  )

export const renameJob = (teamId: string, id: string, name: string) =>
  run(
    'rename job',
    'UPDATE job SET name = ?, touched_at = CURRENT_TIMESTAMP(3) WHERE team_id = ? AND id = ?',
    [name, teamId, id],
  )

export const setJobDeleted = (teamId: string, id: string, deleted: boolean) =>
  run(
    'delete or restore job',
    'UPDATE job SET deleted_at = IF(?, CURRENT_TIMESTAMP(3), NULL) WHERE team_id = ? AND id = ?',
    [deleted, teamId, id],
  )

/** A new revision of the job after its documents changed. */
export const touchJob = (id: string, address: string, runner: Runner) =>
  run(
    'touch job',
    'UPDATE job SET revision = revision + 1, address = ?, touched_at = CURRENT_TIMESTAMP(3) WHERE id = ?',
    [address, id],
    runner,
  )

/** Kept only for the revision it was made from. */
export const storeSummary = (id: string, revision: number, summary: JobSummary) =>
  run(
    'store summary',
    'UPDATE job SET summary = ?, summary_revision = ?, summary_at = CURRENT_TIMESTAMP(3) WHERE id = ? AND revision = ?',
    [JSON.stringify({ ...summary, version }), revision, id, revision],
  )
