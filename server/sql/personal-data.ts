import { z } from 'zod'
import { many, maybeOne, run, type Runner } from '../database'

/** Most entries of a kind that are told of one person. */
const most = 10_000

const commentSchema = z.object({ job: z.string(), text: z.string(), at: z.date() })

/** What somebody has said of jobs, in the order it was said. */
export async function manyCommentsBy(designerId: string) {
  const rows = await many(
    'comments by one',
    `SELECT j.name AS job, c.body AS text, c.made_at AS at FROM comment c JOIN job j ON j.id = c.job_id
      WHERE c.designer_id = ? ORDER BY c.made_at, c.id LIMIT ${most}`,
    [designerId],
  )
  return rows.map((row) => commentSchema.parse(row))
}

const editsSchema = z.object({ count: z.number(), first: z.date().nullable(), last: z.date().nullable() })

/** How much somebody has edited, and between when. */
export async function editsBy(designerId: string) {
  const row = await maybeOne(
    'edits by one',
    'SELECT COUNT(*) AS count, MIN(saved_at) AS first, MAX(saved_at) AS last FROM edit WHERE designer_id = ?',
    [designerId],
  )
  return editsSchema.parse(row)
}

const noteSchema = z.object({ at: z.date(), what: z.string(), about: z.string(), place: z.string() })

/** What the log has of somebody, in its order. */
export async function manyNotesBy(teamId: string, designerId: string) {
  const rows = await many(
    'log of one',
    `SELECT at, what, about, place FROM audit WHERE team_id = ? AND designer_id = ? ORDER BY id LIMIT ${most}`,
    [teamId, designerId],
  )
  return rows.map((row) => noteSchema.parse(row))
}

/** Takes a person's name and addresses out of all that is kept of a team beside its jobs; what was done stays. */
export async function forget(
  { id, teamId, name, mail }: { id: string; teamId: string; name: string; mail: string },
  as: string,
  runner: Runner,
): Promise<void> {
  await run('forget name', 'UPDATE designer SET name = ? WHERE id = ?', [as, id], runner)
  await run('forget places', "UPDATE audit SET place = '' WHERE designer_id = ?", [id], runner)
  await run(
    'forget devices',
    "UPDATE audit SET about = '' WHERE designer_id = ? AND what = 'signed-in'",
    [id],
    runner,
  )
  // Notes begin with whom they are about, and go on after a comma or not at all: a name within another is another.
  for (const word of [mail, name])
    await run(
      'forget in log',
      `UPDATE audit SET about = CONCAT(?, SUBSTRING(about, CHAR_LENGTH(?) + 1))
        WHERE team_id = ? AND (about = ? OR LEFT(about, CHAR_LENGTH(?) + 1) = CONCAT(?, ','))`,
      [as, word, teamId, word, word, word],
      runner,
    )
  await run('forget links', 'DELETE FROM mailed_link WHERE mail = ?', [mail], runner)
  await run('forget mail', 'DELETE FROM outgoing_mail WHERE recipient = ?', [mail], runner)
}
