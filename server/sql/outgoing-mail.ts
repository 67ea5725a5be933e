import { z } from 'zod'
import { many, run, type Runner } from '../database'

const mailSchema = z.object({
  id: z.string(),
  recipient: z.string(),
  sealed: z.string(),
  attempts: z.number(),
})
export type OutgoingMail = z.infer<typeof mailSchema>

export const insertMail = (id: string, recipient: string, sealed: string, runner: Runner) =>
  run(
    'insert mail',
    'INSERT INTO outgoing_mail (id, recipient, sealed) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE id = id',
    [id, recipient, sealed],
    runner,
  )

/**
 * Takes mail that is due, for so many seconds: whichever process takes it sends it, and if that dies it is due again.
 */
export async function takeDueMail(seconds: number, most: number, runner: Runner): Promise<OutgoingMail[]> {
  const rows = await many(
    'due mail',
    `SELECT id, recipient, sealed, attempts FROM outgoing_mail WHERE due_at <= CURRENT_TIMESTAMP(3)
      ORDER BY due_at LIMIT ${Math.trunc(most)} FOR UPDATE SKIP LOCKED`,
    [],
    runner,
  )
  const taken = rows.map((row) => mailSchema.parse(row))
  for (const { id } of taken)
    await run(
      'take mail',
      `UPDATE outgoing_mail SET attempts = attempts + 1,
        due_at = CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND WHERE id = ?`,
      [seconds, id],
      runner,
    )
  return taken
}

export const removeMail = (id: string) => run('remove mail', 'DELETE FROM outgoing_mail WHERE id = ?', [id])

/** What could not be sent is tried again after so many seconds. */
export const putOffMail = (id: string, seconds: number) =>
  run(
    'put off mail',
    'UPDATE outgoing_mail SET due_at = CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND WHERE id = ?',
    [seconds, id],
  )
