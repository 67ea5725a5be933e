import { z } from 'zod'
import { many, maybeOne, run, type Runner } from '../database'

const sentSchema = z.object({
  id: z.string(),
  document_id: z.string(),
  name: z.string().nullable(),
  house_revision: z.number().nullable(),
  option_revision: z.number().nullable(),
  design_digest: z.string().nullable(),
  sealed_token: z.string().nullable(),
  designer: z.string().nullable(),
  created_at: z.date(),
  withdrawn_at: z.date().nullable(),
  expires_at: z.date().nullable(),
  accepted_at: z.date().nullable(),
  accepted_by: z.string().nullable(),
  accepted_way: z.string().nullable(),
  has_file: z.number(),
  seen: z.number(),
  seen_at: z.date().nullable(),
})

/** An offer as the designer sees it in the list of a job. */
export interface SentOffer {
  readonly id: string
  readonly documentId: string
  readonly name: string
  /** The documents it was made from; null for one that was sent before they were kept. */
  readonly houseRevision: number | null
  readonly optionRevision: number | null
  /** Of the design as it was; null for one that was sent before it was kept. */
  readonly designDigest: string | null
  readonly sealedToken: string | null
  readonly designer: string | null
  readonly createdAt: Date
  readonly withdrawnAt: Date | null
  readonly expiresAt: Date | null
  readonly acceptedAt: Date | null
  readonly acceptedBy: string | null
  readonly acceptedWay: string | null
  readonly hasFile: boolean
  readonly seen: number
  readonly seenAt: Date | null
}

/** The offers of a job, last sent first. */
export async function manyShares(teamId: string, jobId: string): Promise<SentOffer[]> {
  const rows = await many(
    'offers of a job',
    `SELECT s.id, s.document_id, s.name, s.house_revision, s.option_revision, s.design_digest, s.sealed_token, d.name AS designer,
      s.created_at, s.withdrawn_at, s.expires_at, s.accepted_at, s.accepted_by, s.accepted_way,
      s.file IS NOT NULL AS has_file, s.seen, s.seen_at
    FROM share s JOIN job j ON j.id = s.job_id LEFT JOIN designer d ON d.id = s.designer_id
    WHERE j.team_id = ? AND s.job_id = ? ORDER BY s.created_at DESC, s.id LIMIT 200`,
    [teamId, jobId],
  )
  return rows.map((row) => {
    const r = sentSchema.parse(row)
    return {
      id: r.id,
      documentId: r.document_id,
      name: r.name ?? r.document_id,
      houseRevision: r.house_revision,
      optionRevision: r.option_revision,
      designDigest: r.design_digest,
      sealedToken: r.sealed_token,
      designer: r.designer,
      createdAt: r.created_at,
      withdrawnAt: r.withdrawn_at,
      expiresAt: r.expires_at,
      acceptedAt: r.accepted_at,
      acceptedBy: r.accepted_by,
      acceptedWay: r.accepted_way,
      hasFile: r.has_file === 1,
      seen: r.seen,
      seenAt: r.seen_at,
    }
  })
}

const shareSchema = z.object({
  id: z.string(),
  job_id: z.string(),
  document_id: z.string(),
  team_id: z.string(),
  job_name: z.string(),
  withdrawn_at: z.date().nullable(),
  expires_at: z.date().nullable(),
  has_expired: z.number(),
  accepted_at: z.date().nullable(),
  accepted_by: z.string().nullable(),
  accepted_way: z.string().nullable(),
  signature: z.string().nullable(),
  body: z.instanceof(Buffer).nullable(),
})

/** What a link leads to. */
export interface Share {
  readonly id: string
  readonly jobId: string
  readonly documentId: string
  readonly teamId: string
  readonly jobName: string
  readonly withdrawn: boolean
  readonly expiresAt: Date | null
  /** By the clock of the database. */
  readonly expired: boolean
  readonly accepted: {
    readonly at: Date
    readonly by: string
    readonly way: string | null
    /** Strokes, as JSON. */
    readonly signature: string | null
  } | null
  /** What the customer sees, as gzipped JSON; null for a link from before that was kept. */
  readonly body: Buffer | null
}

export async function maybeOneShare(tokenDigest: string): Promise<Share | undefined> {
  const row = await maybeOne(
    'share',
    `SELECT s.id, s.job_id, s.document_id, s.withdrawn_at, s.expires_at,
      COALESCE(s.expires_at <= CURRENT_TIMESTAMP(3), 0) AS has_expired, s.accepted_at, s.accepted_by, s.accepted_way,
      s.signature, s.body, j.team_id, j.name AS job_name
    FROM share s JOIN job j ON j.id = s.job_id WHERE s.token_digest = ?`,
    [tokenDigest],
  )
  if (!row) return undefined
  const r = shareSchema.parse(row)
  return {
    id: r.id,
    jobId: r.job_id,
    documentId: r.document_id,
    teamId: r.team_id,
    jobName: r.job_name,
    withdrawn: r.withdrawn_at !== null,
    expiresAt: r.expires_at,
    expired: r.has_expired === 1,
    accepted: r.accepted_at && {
      at: r.accepted_at,
      by: r.accepted_by ?? '',
      way: r.accepted_way,
      signature: r.signature,
    },
    body: r.body,
  }
}

/** An offer as it is sent. */
export interface NewShare {
  readonly id: string
  readonly tokenDigest: string
  readonly sealedToken: string
  readonly jobId: string
  readonly documentId: string
  readonly name: string
  readonly houseRevision: number
  readonly optionRevision: number
  readonly designDigest: string
  readonly designerId: string
  /** Days that it holds. */
  readonly validDays: number
  readonly body: Buffer
  /** What it is verified from, as gzipped JSON. */
  readonly file: Buffer
}

/** The sealed secret of an offer's link; undefined where there is no such offer, or it was sent before links were kept. */
export async function maybeSealedToken(teamId: string, id: string): Promise<string | undefined> {
  const row = await maybeOne(
    'sealed link',
    'SELECT s.sealed_token FROM share s JOIN job j ON j.id = s.job_id WHERE s.id = ? AND j.team_id = ?',
    [id, teamId],
  )
  return row && (z.object({ sealed_token: z.string().nullable() }).parse(row).sealed_token ?? undefined)
}

export const insertShare = (share: NewShare, runner?: Runner) =>
  run(
    'insert share',
    `INSERT INTO share (id, token_digest, sealed_token, job_id, document_id, name, house_revision, option_revision,
      design_digest, designer_id, expires_at, body, file)
    VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, CURRENT_TIMESTAMP(3) + INTERVAL ? DAY, ?, ?) ON DUPLICATE KEY UPDATE id = id`,
    [
      share.id,
      share.tokenDigest,
      share.sealedToken,
      share.jobId,
      share.documentId,
      share.name,
      share.houseRevision,
      share.optionRevision,
      share.designDigest,
      share.designerId,
      share.validDays,
      share.body,
      share.file,
    ],
    runner,
  )

/** The file of an offer of the team's own. */
export async function maybeShareFile(teamId: string, jobId: string, id: string): Promise<Buffer | undefined> {
  const row = await maybeOne(
    'file of an offer',
    `SELECT s.file FROM share s JOIN job j ON j.id = s.job_id
    WHERE j.team_id = ? AND s.job_id = ? AND s.id = ? AND s.file IS NOT NULL`,
    [teamId, jobId, id],
  )
  return row && z.object({ file: z.instanceof(Buffer) }).parse(row).file
}

/** What the customer of an older link sees from now on; kept once. */
export const freezeShare = (id: string, body: Buffer) =>
  run('freeze share', 'UPDATE share SET body = ? WHERE id = ? AND body IS NULL', [body, id])

export const countSeen = (id: string) =>
  run('count seen', 'UPDATE share SET seen = seen + 1, seen_at = CURRENT_TIMESTAMP(3) WHERE id = ?', [id])

/** Withdraws an offer or sends it out again; one that was accepted stands. */
export const withdrawShare = (teamId: string, jobId: string, id: string, withdrawn: boolean) =>
  run(
    'withdraw share',
    `UPDATE share s JOIN job j ON j.id = s.job_id SET s.withdrawn_at = IF(?, CURRENT_TIMESTAMP(3), NULL)
    WHERE s.id = ? AND s.job_id = ? AND j.team_id = ? AND s.accepted_at IS NULL`,
    [withdrawn, id, jobId, teamId],
  )
