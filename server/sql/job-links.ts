import { z } from 'zod'
import { guestRoles } from '@/core/model/roles'
import { many, maybeOne, run, type Runner } from '../database'

const linkSchema = z.object({
  id: z.string(),
  job_id: z.string(),
  team_id: z.string(),
  designer_id: z.string(),
  name: z.string(),
  role: z.enum(guestRoles),
  sealed_secret: z.string(),
  password_hash: z.string().nullable(),
  made_by: z.string().nullable(),
  made_at: z.date(),
  expires_at: z.date().nullable(),
  seen: z.number(),
  seen_at: z.date().nullable(),
})

/** A link to a job that leads there. */
export interface JobLink {
  readonly id: string
  readonly jobId: string
  readonly teamId: string
  /** Whose hand its edits are. */
  readonly designerId: string
  readonly name: string
  readonly role: z.infer<typeof linkSchema>['role']
  readonly sealedSecret: string
  readonly passwordHash: string | null
  readonly madeBy: string | null
  readonly madeAt: Date
  readonly expiresAt: Date | null
  readonly seen: number
  readonly seenAt: Date | null
}

/** Those that are neither withdrawn nor run out, of jobs that are there. */
const columns = `l.id, l.job_id, j.team_id, l.designer_id, d.name, d.role, l.sealed_secret, l.password_hash,
  m.name AS made_by, l.made_at, l.expires_at, l.seen, l.seen_at
  FROM job_link l JOIN job j ON j.id = l.job_id JOIN designer d ON d.id = l.designer_id
  LEFT JOIN designer m ON m.id = l.made_by
  WHERE l.withdrawn_at IS NULL AND (l.expires_at IS NULL OR l.expires_at > CURRENT_TIMESTAMP(3))
    AND j.deleted_at IS NULL`

function toLink(row: unknown): JobLink {
  const r = linkSchema.parse(row)
  return {
    id: r.id,
    jobId: r.job_id,
    teamId: r.team_id,
    designerId: r.designer_id,
    name: r.name,
    role: r.role,
    sealedSecret: r.sealed_secret,
    passwordHash: r.password_hash,
    madeBy: r.made_by,
    madeAt: r.made_at,
    expiresAt: r.expires_at,
    seen: r.seen,
    seenAt: r.seen_at,
  }
}

export async function maybeOneJobLinkByDigest(digest: string): Promise<JobLink | undefined> {
  const row = await maybeOne('job link by digest', `SELECT ${columns} AND l.digest = ?`, [digest])
  return row && toLink(row)
}

export async function maybeOneJobLink(id: string): Promise<JobLink | undefined> {
  const row = await maybeOne('job link', `SELECT ${columns} AND l.id = ?`, [id])
  return row && toLink(row)
}

/** The links of a job, the newest first. */
export async function manyJobLinks(teamId: string, jobId: string): Promise<JobLink[]> {
  const rows = await many(
    'links of a job',
    `SELECT ${columns} AND j.team_id = ? AND l.job_id = ? ORDER BY l.made_at DESC, l.id LIMIT 100`,
    [teamId, jobId],
  )
  return rows.map(toLink)
}

export const insertJobLink = (
  link: Pick<JobLink, 'id' | 'jobId' | 'designerId' | 'sealedSecret' | 'passwordHash'> & {
    readonly digest: string
    readonly madeBy: string
    /** Null for one that holds until it is withdrawn. */
    readonly days: number | null
  },
  runner: Runner,
) =>
  run(
    'insert job link',
    `INSERT INTO job_link (id, digest, sealed_secret, job_id, designer_id, password_hash, made_by, expires_at)
      VALUES (?, ?, ?, ?, ?, ?, ?, CURRENT_TIMESTAMP(3) + INTERVAL ? DAY) ON DUPLICATE KEY UPDATE id = VALUES(id)`,
    [
      link.id,
      link.digest,
      link.sealedSecret,
      link.jobId,
      link.designerId,
      link.passwordHash,
      link.madeBy,
      link.days,
    ],
    runner,
  )

/** @returns 0 when there is no such link any more */
export const withdrawJobLink = (teamId: string, jobId: string, id: string, runner: Runner) =>
  run(
    'withdraw job link',
    `UPDATE job_link l JOIN job j ON j.id = l.job_id SET l.withdrawn_at = CURRENT_TIMESTAMP(3)
      WHERE j.team_id = ? AND l.job_id = ? AND l.id = ? AND l.withdrawn_at IS NULL`,
    [teamId, jobId, id],
    runner,
  )

export const countLinkSeen = (id: string) =>
  run('count link seen', 'UPDATE job_link SET seen = seen + 1, seen_at = CURRENT_TIMESTAMP(3) WHERE id = ?', [
    id,
  ])
