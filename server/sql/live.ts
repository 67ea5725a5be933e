import { z } from 'zod'
import { many, run } from '../database'

const marks = (values: readonly unknown[]) => values.map(() => '?').join(', ')

const stateSchema = z.object({
  id: z.string(),
  name: z.string(),
  revision: z.number(),
  deleted_at: z.date().nullable(),
  open_comments: z.number(),
  comment_mark: z.number(),
})

/** What of a job others may have changed. */
export interface JobState {
  readonly id: string
  readonly name: string
  readonly revision: number
  readonly deleted: boolean
  /** Threads of comments that are open, and a number that changes with whatever is said. */
  readonly openComments: number
  readonly commentMark: number
}

/** @param ids at least one */
export async function manyJobStates(ids: readonly string[]): Promise<JobState[]> {
  const rows = await many(
    'states of jobs',
    `SELECT id, name, revision, deleted_at, open_comments, comment_mark FROM job WHERE id IN (${marks(ids)})`,
    ids,
  )
  return rows.map((row) => {
    const { deleted_at, open_comments, comment_mark, ...state } = stateSchema.parse(row)
    return {
      ...state,
      deleted: deleted_at !== null,
      openComments: open_comments,
      commentMark: comment_mark,
    }
  })
}

const presenceSchema = z.object({
  job_id: z.string(),
  screen_id: z.string(),
  name: z.string(),
  selection: z.string().nullable(),
})

/** A screen that has a job open, and the id of what is selected there. */
export interface Presence {
  readonly jobId: string
  readonly screenId: string
  readonly name: string
  readonly selection: string | null
}

/** Seconds after which a screen that says nothing is gone. */
const goneSeconds = 15

/** @param jobIds at least one */
export async function manyPresent(jobIds: readonly string[]): Promise<Presence[]> {
  const rows = await many(
    'who is there',
    `SELECT p.job_id, p.screen_id, d.name, p.selection FROM presence p JOIN designer d ON d.id = p.designer_id
    WHERE p.job_id IN (${marks(jobIds)}) AND p.seen_at > CURRENT_TIMESTAMP(3) - INTERVAL ${goneSeconds} SECOND
    ORDER BY p.screen_id`,
    jobIds,
  )
  return rows.map((row) => {
    const { job_id, screen_id, name, selection } = presenceSchema.parse(row)
    return { jobId: job_id, screenId: screen_id, name, selection }
  })
}

/** A screen says that it is there; nothing is kept of a job of another team. */
export const touchPresence = (
  teamId: string,
  jobId: string,
  screenId: string,
  designerId: string,
  selection: string | null,
) =>
  run(
    'touch presence',
    `INSERT INTO presence (job_id, screen_id, designer_id, selection)
    SELECT id, ?, ?, ? FROM job WHERE id = ? AND team_id = ?
    ON DUPLICATE KEY UPDATE selection = VALUES(selection), seen_at = CURRENT_TIMESTAMP(3)`,
    [screenId, designerId, selection, jobId, teamId],
  )

/** A screen leaves; those of other designers stay whatever is said of them. */
export const removePresence = (designerId: string, jobId: string, screenId: string) =>
  run('remove presence', 'DELETE FROM presence WHERE job_id = ? AND screen_id = ? AND designer_id = ?', [
    jobId,
    screenId,
    designerId,
  ])

/** Screens that were closed without a word. */
export const removeOldPresence = () =>
  run('remove old presence', 'DELETE FROM presence WHERE seen_at < CURRENT_TIMESTAMP(3) - INTERVAL 1 HOUR')

const figuresSchema = z.object({ id: z.string(), team_id: z.string(), summary_at: z.date() })

/** Jobs whose figures were stored after a time, by any process. @param teamIds at least one */
export async function manyNewFigures(
  teamIds: readonly string[],
  after: Date,
): Promise<{ id: string; teamId: string; at: Date }[]> {
  const rows = await many(
    'new figures',
    `SELECT id, team_id, summary_at FROM job WHERE team_id IN (${marks(teamIds)}) AND summary_at > ? LIMIT 200`,
    [...teamIds, after],
  )
  return rows.map((row) => {
    const { id, team_id, summary_at } = figuresSchema.parse(row)
    return { id, teamId: team_id, at: summary_at }
  })
}
