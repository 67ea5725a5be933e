import { z } from 'zod'
import { many, maybeOne, run, type Runner } from '../database'

/** What those who do long work ask of its table. */

/** Tasks of which something is due. */
export async function dueTasks(): Promise<ReadonlySet<string>> {
  const rows = await many(
    'due tasks',
    `SELECT DISTINCT task FROM work WHERE state = 'open' AND due_at <= CURRENT_TIMESTAMP(3)`,
  )
  return new Set(rows.map((row) => z.object({ task: z.string() }).parse(row).task))
}

const takenSchema = z.object({
  id: z.string(),
  task: z.string(),
  input: z.string().transform((text): unknown => JSON.parse(text)),
  given: z.instanceof(Buffer).nullable(),
  attempts: z.number(),
})
export type TakenWork = z.infer<typeof takenSchema>

const marks = (values: readonly unknown[]) => values.map(() => '?').join(', ')

/**
 * Takes work that is due, the most urgent first, for so many seconds: if whoever takes it dies, it is due again.
 * @returns each with its attempts, this one among them
 */
export async function takeWork(
  by: string,
  tasks: readonly string[],
  { seconds, most }: { readonly seconds: number; readonly most: number },
  runner: Runner,
): Promise<TakenWork[]> {
  const rows = await many(
    'due work',
    `SELECT id, task, input, given, attempts + 1 AS attempts FROM work
    WHERE state = 'open' AND due_at <= CURRENT_TIMESTAMP(3) AND task IN (${marks(tasks)})
      AND (wanted_until IS NULL OR wanted_until > CURRENT_TIMESTAMP(3))
    ORDER BY urgency, due_at LIMIT ${Math.trunc(most)} FOR UPDATE SKIP LOCKED`,
    tasks,
    runner,
  )
  const taken = rows.map((row) => takenSchema.parse(row))
  if (taken.length > 0)
    await run(
      'take work',
      `UPDATE work SET attempts = attempts + 1, taken_by = ?, progress = NULL,
        due_at = CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND WHERE id IN (${marks(taken)})`,
      [by, seconds, ...taken.map(({ id }) => id)],
      runner,
    )
  return taken
}

/**
 * Holds taken work for longer.
 * @returns 0 where it is not this one's any more, or nobody wants it
 */
export const holdWork = (id: string, by: string, seconds: number, progress: number | null) =>
  run(
    'hold work',
    `UPDATE work SET due_at = CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND, progress = ?
    WHERE id = ? AND taken_by = ? AND state = 'open'
      AND (wanted_until IS NULL OR wanted_until > CURRENT_TIMESTAMP(3))`,
    [seconds, progress, id, by],
  )

/** Ends work; what is set aside keeps all it needs to be tried anew. @returns 0 where it is not this one's any more */
export const endWork = (
  id: string,
  by: string,
  state: 'done' | 'fault' | 'aside',
  { outcome, made }: { readonly outcome: unknown; readonly made: Buffer | null },
) =>
  run(
    'end work',
    `UPDATE work SET outcome = ?, made = ?, given = IF(? = 'aside', given, NULL), taken_by = NULL, progress = NULL,
      ended_at = CURRENT_TIMESTAMP(3), state = ? WHERE id = ? AND taken_by = ? AND state = 'open'`,
    [JSON.stringify(outcome ?? null), made, state, state, id, by],
  )

/** Gives taken work back, to be taken again after so many seconds. @param isTried whether this attempt counts */
export const putOffWork = (id: string, by: string, seconds: number, isTried: boolean) =>
  run(
    'put off work',
    `UPDATE work SET due_at = CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND, taken_by = NULL, progress = NULL,
      attempts = attempts - ? WHERE id = ? AND taken_by = ? AND state = 'open'`,
    [seconds, isTried ? 0 : 1, id, by],
  )

/** Removes what nobody wants any more, and what ended so many minutes ago; what was set aside stays for as many days. */
export async function removeSpentWork(minutes: number, days: number): Promise<number> {
  const unwanted = await run(
    'remove unwanted work',
    `DELETE FROM work WHERE state = 'open' AND wanted_until <= CURRENT_TIMESTAMP(3)
      AND (taken_by IS NULL OR due_at <= CURRENT_TIMESTAMP(3)) LIMIT 100`,
  )
  const ended = await run(
    'remove spent work',
    `DELETE FROM work WHERE state <> 'open'
      AND ended_at < CURRENT_TIMESTAMP(3) - INTERVAL IF(state = 'aside', ?, ?) MINUTE LIMIT 100`,
    [days * 24 * 60, minutes],
  )
  return unwanted + ended
}

const countsSchema = z.object({
  waiting: z.coerce.number(),
  running: z.coerce.number(),
  aside: z.coerce.number(),
  oldest: z.coerce.number().nullable(),
})

/** How much work waits, runs and was set aside, and since how many seconds the oldest waits; null where none does. */
export async function countWork() {
  const row = await maybeOne(
    'count work',
    `SELECT COALESCE(SUM(state = 'open' AND (taken_by IS NULL OR due_at <= CURRENT_TIMESTAMP(3))), 0) AS waiting,
      COALESCE(SUM(state = 'open' AND taken_by IS NOT NULL AND due_at > CURRENT_TIMESTAMP(3)), 0) AS running,
      COALESCE(SUM(state = 'aside'), 0) AS aside,
      TIMESTAMPDIFF(SECOND, MIN(IF(state = 'open' AND taken_by IS NULL, made_at, NULL)), CURRENT_TIMESTAMP(3)) AS oldest
    FROM work`,
  )
  return countsSchema.parse(row)
}

const asideSchema = z.object({
  id: z.string(),
  task: z.string(),
  attempts: z.number(),
  ended_at: z.date(),
  outcome: z.string().transform((text): unknown => JSON.parse(text)),
})

/** A team's work that was set aside, the latest first. */
export async function manyWorkAside(teamId: string) {
  const rows = await many(
    'work aside',
    `SELECT id, task, attempts, ended_at, outcome FROM work
    WHERE team_id = ? AND state = 'aside' AND ended_at IS NOT NULL ORDER BY ended_at DESC LIMIT 50`,
    [teamId],
  )
  return rows.map((row) => {
    const { ended_at: endedAt, ...rest } = asideSchema.parse(row)
    return { ...rest, endedAt }
  })
}

/** Work that was set aside is to be tried anew, though nobody waits for it. @returns 0 where the team has no such work aside */
export const tryWorkAgain = (teamId: string, id: string) =>
  run(
    'try work again',
    `UPDATE work SET state = 'open', attempts = 0, due_at = CURRENT_TIMESTAMP(3), ended_at = NULL, outcome = NULL,
      wanted_until = NULL
    WHERE id = ? AND team_id = ? AND state = 'aside'`,
    [id, teamId],
  )

/** @returns 0 where the team has no such work aside */
export const removeWorkAside = (teamId: string, id: string) =>
  run('remove work aside', `DELETE FROM work WHERE id = ? AND team_id = ? AND state = 'aside'`, [id, teamId])
