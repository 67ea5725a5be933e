import { z } from 'zod'
import { many, maybeOne, run, type Runner } from '../database'

/** The table of long work: who wants it writes it here, who does it takes it from here. */

const outcomeSchema = z.string().transform((text): unknown => JSON.parse(text))

export interface NewWork {
  readonly id: string
  readonly task: string
  readonly teamId: string
  /** What is the same for all who want this very work; null where each wants their own. */
  readonly same: string | null
  /** The least goes first. */
  readonly urgency: number
  readonly input: string
  readonly given: Buffer | null
  /** Seconds after which nobody wants it who has not said so again; null for work nobody waits for. */
  readonly wantedSeconds: number | null
}

/**
 * Writes work, or joins the same that is there; what failed before is tried anew. Nothing may be read before it in its
 * transaction: what others write meanwhile would not be seen.
 * @returns the id of what is written
 */
export async function insertWork(work: NewWork, runner: Runner): Promise<string> {
  await run(
    'insert work',
    `INSERT INTO work (id, task, team_id, same, urgency, input, given, wanted_until)
    VALUES (?, ?, ?, ?, ?, ?, ?, CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND)
    ON DUPLICATE KEY UPDATE
      wanted_until = GREATEST(COALESCE(wanted_until, VALUES(wanted_until)), VALUES(wanted_until)),
      attempts = IF(state IN ('fault', 'aside'), 0, attempts),
      due_at = IF(state IN ('fault', 'aside'), CURRENT_TIMESTAMP(3), due_at),
      state = IF(state = 'done', 'done', 'open')`,
    [
      work.id,
      work.task,
      work.teamId,
      work.same,
      work.urgency,
      work.input,
      work.given,
      work.wantedSeconds ?? null,
    ],
    runner,
  )
  if (work.same === null) return work.id
  const row = await maybeOne(
    'same work',
    'SELECT id FROM work WHERE task = ? AND same = ?',
    [work.task, work.same],
    runner,
  )
  return z.object({ id: z.string() }).parse(row).id
}

/** Writes work that nobody waits for; what ended before is done anew. */
export const openWork = (work: readonly NewWork[]) =>
  run(
    'open work',
    `INSERT INTO work (id, task, team_id, same, urgency, input) VALUES ${work.map(() => '(?, ?, ?, ?, ?, ?)').join(', ')}
    ON DUPLICATE KEY UPDATE attempts = IF(state = 'open', attempts, 0),
      due_at = IF(state = 'open', due_at, CURRENT_TIMESTAMP(3)), ended_at = NULL, state = 'open'`,
    work.flatMap(({ id, task, teamId, same, urgency, input }) => [id, task, teamId, same, urgency, input]),
  )

/** Open work of a task, that which runs among it. */
export async function countOpenWork(task: string): Promise<number> {
  const row = await maybeOne(
    'count open work',
    `SELECT COUNT(*) AS open FROM work WHERE state = 'open' AND task = ?`,
    [task],
  )
  return z.object({ open: z.number() }).parse(row).open
}

const seenSchema = z.object({
  state: z.enum(['open', 'done', 'fault', 'aside']),
  attempts: z.number(),
  outcome: outcomeSchema.nullable(),
  made: z.instanceof(Buffer).nullable(),
})

/** How work stands that somebody waits for; undefined where it is there no more. */
export async function maybeOneWork(id: string) {
  const row = await maybeOne('work', 'SELECT state, attempts, outcome, made FROM work WHERE id = ?', [id])
  return row && seenSchema.parse(row)
}

/** Whoever waits says again that they do. */
export const wantWork = (id: string, seconds: number) =>
  run(
    'want work',
    `UPDATE work SET wanted_until = GREATEST(wanted_until, CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND)
    WHERE id = ? AND wanted_until IS NOT NULL`,
    [seconds, id],
  )

/** Whoever waited has gone: unless others say within so many seconds that they wait too, it is not done. */
export const leaveWork = (id: string, seconds: number) =>
  run(
    'leave work',
    'UPDATE work SET wanted_until = LEAST(wanted_until, CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND) WHERE id = ?',
    [seconds, id],
  )

/** Removes one that ended, whose end is known to whoever wanted it. */
export const removeEndedWork = (id: string) =>
  run('remove ended work', `DELETE FROM work WHERE id = ? AND state <> 'open'`, [id])

const endedSchema = z.object({
  same: z.string(),
  team_id: z.string(),
  state: z.enum(['open', 'done', 'fault', 'aside']),
  outcome: outcomeSchema.nullable(),
  ended_at: z.date().nullable(),
})

const endedOf = (row: unknown) => {
  const { team_id: teamId, ended_at: endedAt, ...rest } = endedSchema.parse(row)
  return { ...rest, teamId, endedAt }
}

/** How the same work stands, for each of `same` of which there is any. */
export async function manySameWork(task: string, same: readonly string[]) {
  if (same.length === 0) return []
  const rows = await many(
    'known work',
    `SELECT same, team_id, state, outcome, ended_at FROM work WHERE task = ? AND same IN (${same.map(() => '?').join(', ')})`,
    [task, ...same],
  )
  return rows.map(endedOf)
}

/** Work of a task that came to no good after a moment. */
export async function manyFailedWork(task: string, teamIds: readonly string[], after: Date) {
  if (teamIds.length === 0) return []
  const rows = await many(
    'failed work',
    `SELECT same, team_id, state, outcome, ended_at FROM work
    WHERE team_id IN (${teamIds.map(() => '?').join(', ')}) AND ended_at > ? AND task = ?
      AND state IN ('fault', 'aside') ORDER BY ended_at LIMIT 200`,
    [...teamIds, after, task],
  )
  return rows.map(endedOf)
}
