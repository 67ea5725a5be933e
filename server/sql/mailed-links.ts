import { z } from 'zod'
import { roles } from '@/core/model/roles'
import { many, maybeOne, run, type Runner } from '../database'

export type LinkPurpose = 'join' | 'password'

const linkSchema = z.object({
  id: z.string(),
  purpose: z.enum(['join', 'password']),
  team_id: z.string(),
  team: z.string(),
  designer_id: z.string().nullable(),
  mail: z.string(),
  role: z.enum(roles),
  expires_at: z.date(),
  is_used: z.number(),
  is_over: z.number(),
})

/** A link as it was mailed. */
export interface MailedLink {
  readonly id: string
  readonly purpose: LinkPurpose
  readonly teamId: string
  readonly team: string
  readonly designerId: string | null
  readonly mail: string
  readonly role: z.infer<typeof linkSchema>['role']
  readonly expiresAt: Date
  readonly isUsed: boolean
  readonly isOver: boolean
}

const columns = `l.id, l.purpose, l.team_id, t.name AS team, l.designer_id, l.mail, l.role, l.expires_at,
  l.used_at IS NOT NULL AS is_used, l.expires_at <= CURRENT_TIMESTAMP(3) AS is_over
  FROM mailed_link l JOIN team t ON t.id = l.team_id`

function toLink(row: unknown): MailedLink {
  const r = linkSchema.parse(row)
  return {
    id: r.id,
    purpose: r.purpose,
    teamId: r.team_id,
    team: r.team,
    designerId: r.designer_id,
    mail: r.mail,
    role: r.role,
    expiresAt: r.expires_at,
    isUsed: r.is_used === 1,
    isOver: r.is_over === 1,
  }
}

/** @param runner in whose transaction the link is locked */
export async function maybeOneLink(digest: string, runner?: Runner): Promise<MailedLink | undefined> {
  const row = await maybeOne(
    'mailed link',
    `SELECT ${columns} WHERE l.digest = ?${runner ? ' FOR UPDATE' : ''}`,
    [digest],
    runner,
  )
  return row && toLink(row)
}

/** Invitations of a team that still lead somewhere, the newest first. */
export async function manyInvitations(teamId: string): Promise<MailedLink[]> {
  const rows = await many(
    'invitations of a team',
    `SELECT ${columns} WHERE l.team_id = ? AND l.purpose = 'join' AND l.used_at IS NULL
      AND l.expires_at > CURRENT_TIMESTAMP(3) ORDER BY l.made_at DESC, l.id LIMIT 200`,
    [teamId],
  )
  return rows.map(toLink)
}

export const insertLink = (
  link: Pick<MailedLink, 'id' | 'purpose' | 'teamId' | 'designerId' | 'mail' | 'role'> & {
    readonly digest: string
    readonly madeBy: string | null
    readonly hours: number
  },
  runner: Runner,
) =>
  run(
    'insert link',
    `INSERT INTO mailed_link (digest, id, purpose, team_id, designer_id, mail, role, made_by, expires_at)
      VALUES (?, ?, ?, ?, ?, ?, ?, ?, CURRENT_TIMESTAMP(3) + INTERVAL ? HOUR) ON DUPLICATE KEY UPDATE id = VALUES(id)`,
    [
      link.digest,
      link.id,
      link.purpose,
      link.teamId,
      link.designerId,
      link.mail,
      link.role,
      link.madeBy,
      link.hours,
    ],
    runner,
  )

export const useLink = (digest: string, runner: Runner) =>
  run('use link', 'UPDATE mailed_link SET used_at = CURRENT_TIMESTAMP(3) WHERE digest = ?', [digest], runner)

/** An address has one way in at a time: what was mailed before leads nowhere any more. */
export const removeOpenLinks = (teamId: string, purpose: LinkPurpose, mail: string, runner: Runner) =>
  run(
    'remove open links',
    'DELETE FROM mailed_link WHERE team_id = ? AND purpose = ? AND mail = ? AND used_at IS NULL',
    [teamId, purpose, mail],
    runner,
  )

export const removeInvitation = (teamId: string, id: string, runner: Runner) =>
  run(
    'remove invitation',
    "DELETE FROM mailed_link WHERE team_id = ? AND id = ? AND purpose = 'join' AND used_at IS NULL",
    [teamId, id],
    runner,
  )

/** Those that lead nowhere any more, some at a time. */
export const removeOldLinks = () =>
  run(
    'remove old links',
    'DELETE FROM mailed_link WHERE expires_at < CURRENT_TIMESTAMP(3) - INTERVAL 30 DAY LIMIT 500',
  )
