import { z } from 'zod'
import { many, run, type Runner } from '../database'

/** What is noted of accounts, and of who may do what. */
export const deeds = [
  'signed-in',
  'sign-in-failed',
  'signed-out',
  'invited',
  'invitation-withdrawn',
  'joined',
  'role-set',
  'left',
  'password-set',
  'password-asked',
  'code-on',
  'code-off',
  'spare-code-used',
  'sign-ins-ended',
  'link-made',
  'link-withdrawn',
  'prices-asked',
  'letterhead-set',
  'logo-set',
  'logo-removed',
] as const
export type Deed = (typeof deeds)[number]

export interface Note {
  readonly teamId: string
  /** Who did it; null for somebody who was not signed in. */
  readonly designerId: string | null
  readonly what: Deed
  /** Whom or what it was done to. */
  readonly about: string
  /** Address that it came from. */
  readonly place: string
}

export const insertNote = ({ teamId, designerId, what, about, place }: Note, runner?: Runner) =>
  run(
    'insert note of audit',
    'INSERT INTO audit (team_id, designer_id, what, about, place) VALUES (?, ?, ?, ?, ?)',
    [teamId, designerId, what, about.slice(0, 300), place.slice(0, 64)],
    runner,
  )

/** How often something was done in a team in the last day. */
export async function countNotesOfDay(teamId: string, what: Deed, runner: Runner): Promise<number> {
  const [row] = await many(
    'notes of a day',
    'SELECT COUNT(*) AS count FROM audit WHERE team_id = ? AND what = ? AND at > CURRENT_TIMESTAMP(3) - INTERVAL 1 DAY',
    [teamId, what],
    runner,
  )
  return Number(row?.['count'] ?? 0)
}

/** Whether something was noted already. */
export const isNoted = async (
  { teamId, what, about }: Pick<Note, 'teamId' | 'what' | 'about'>,
  runner: Runner,
): Promise<boolean> =>
  (
    await many(
      'is noted',
      'SELECT id FROM audit WHERE team_id = ? AND what = ? AND about = ? LIMIT 1',
      [teamId, what, about],
      runner,
    )
  ).length > 0

const noteSchema = z.object({
  id: z.number(),
  who: z.string().nullable(),
  // What a newer release beside this one notes is shown as it calls it.
  what: z.string(),
  about: z.string(),
  place: z.string(),
  at: z.date(),
})

/** The last that was noted of a team, the newest first. */
export async function manyNotes(teamId: string, most: number) {
  const rows = await many(
    'audit of a team',
    `SELECT a.id, d.name AS who, a.what, a.about, a.place, a.at FROM audit a LEFT JOIN designer d ON d.id = a.designer_id
      WHERE a.team_id = ? ORDER BY a.id DESC LIMIT ${Math.trunc(most)}`,
    [teamId],
  )
  return rows.map((row) => noteSchema.parse(row))
}
