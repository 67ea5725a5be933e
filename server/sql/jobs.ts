import { z } from 'zod'
import { versionOf } from '@/core/graph/version'
import { type DeepReadonly } from '@/core/model/object-base'
import { financeStage } from '@/core/stages/finance'
import { powerStage } from '@/core/stages/power'
import { siteStage } from '@/core/stages/site'
import { tagsIn, templateUses, type Progress, type TemplateUse } from '@/core/model/job-status'
import { jobStatusSchema } from '@/core/model/progress'
import { type KeptLine } from '@/core/readers/kept-line'
import { type World } from '@/core/stages/world'
import { maybeOne, run, transaction, type Runner } from '../database'
import { writeWords } from './job-words'
import { storedLines } from './last-lines'

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
  archived_at: z.date().nullable(),
  // One that a later version of the application knows, while both run.
  status: jobStatusSchema.catch('lead'),
  tags: z.string(),
  notes: z.string(),
  owner_id: z.string().nullable(),
  next_step: z.string(),
  next_day: z.string().nullable(),
  template: z.number(),
  open_comments: z.number(),
})

export interface JobRow extends Progress {
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
  readonly archived: boolean
  readonly template: TemplateUse
  /** Threads of comments in which something is left to do. */
  readonly openComments: number
}

const withoutVersion = ({ kilowatts, paybackYears, picture }: JobSummary): JobSummary => ({
  kilowatts,
  paybackYears,
  picture,
})

/** A row of `jobColumns`. */
export function toJob(row: unknown): JobRow {
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
    archived: r.archived_at !== null,
    status: r.status,
    tags: tagsIn(r.tags),
    notes: r.notes,
    ownerId: r.owner_id,
    nextStep: r.next_step,
    nextOn: r.next_day,
    template: templateUses[r.template] ?? 'none',
    openComments: r.open_comments,
  }
}

export const jobColumns =
  'job.id, job.team_id, name, address, revision, summary, summary_revision, touched_at, deleted_at, archived_at, ' +
  "status, tags, notes, owner_id, next_step, DATE_FORMAT(next_on, '%Y-%m-%d') AS next_day, template, open_comments"

/** Deleted ones too, so that they can come back. */
export async function maybeOneJob(teamId: string, id: string, runner?: Runner): Promise<JobRow | undefined> {
  const row = await maybeOne(
    'job',
    `SELECT ${jobColumns} FROM job WHERE team_id = ? AND id = ?`,
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
    `SELECT ${jobColumns} FROM job WHERE team_id = ? AND id = ? FOR UPDATE`,
    [teamId, id],
    runner,
  )
  return row && toJob(row)
}

export async function insertJob(id: string, teamId: string, name: string, address: string, runner: Runner) {
  await run(
    'insert job',
    'INSERT INTO job (id, team_id, name, address) VALUES (?, ?, ?, ?)',
    [id, teamId, name, address],
    runner,
  )
  await writeWords(id, runner)
}

export const renameJob = (teamId: string, id: string, name: string) =>
  transaction('rename job', async (runner) => {
    const met = await run(
      'rename job',
      'UPDATE job SET name = ?, touched_at = CURRENT_TIMESTAMP(3) WHERE team_id = ? AND id = ?',
      [name, teamId, id],
      runner,
    )
    if (met > 0) await writeWords(id, runner)
    return met
  })

export const setJobDeleted = (teamId: string, id: string, deleted: boolean) =>
  run(
    'delete or restore job',
    'UPDATE job SET deleted_at = IF(?, CURRENT_TIMESTAMP(3), NULL) WHERE team_id = ? AND id = ?',
    [deleted, teamId, id],
  )

/** A new revision of the job after its documents changed, and its address where that did. */
export async function touchJob(id: string, address: string | null, runner: Runner) {
  await run(
    'touch job',
    `UPDATE job SET revision = revision + 1, address = COALESCE(?, address), touched_at = CURRENT_TIMESTAMP(3)
    WHERE id = ?`,
    [address, id],
    runner,
  )
  if (address !== null) await writeWords(id, runner)
}

/** Kept only for the revision it was made from; whoever has modules on the roof has drawn it. */
export const storeSummary = (
  id: string,
  revision: number,
  summary: JobSummary,
  lines: readonly KeptLine[] = [],
) =>
  run(
    'store summary',
    `UPDATE job SET summary = ?, last_lines = ?, summary_revision = ?, summary_at = CURRENT_TIMESTAMP(3),
      status = IF(? AND status = 'lead', 'drawn', status) WHERE id = ? AND revision = ?`,
    [
      JSON.stringify({ ...summary, version }),
      storedLines(lines),
      revision,
      summary.kilowatts > 0,
      id,
      revision,
    ],
  )

/**
 * Removes for good a few of what was deleted so many days ago, whoever's it was; what a customer has accepted stays.
 * @returns how many were removed: with none there are no more
 */
export const removeDeleted = (graceDays: number) =>
  run(
    'remove deleted jobs',
    `DELETE FROM job WHERE deleted_at < CURRENT_TIMESTAMP(3) - INTERVAL ? DAY
      AND NOT EXISTS (SELECT 1 FROM share WHERE share.job_id = job.id AND share.accepted_at IS NOT NULL)
    ORDER BY deleted_at LIMIT 5`,
    [graceDays],
  )
