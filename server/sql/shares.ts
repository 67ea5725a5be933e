import { z } from 'zod'
import { maybeOne, run } from '../database'

const rowSchema = z.object({ job_id: z.string(), document_id: z.string(), team_id: z.string() })

export interface Share {
  readonly jobId: string
  readonly documentId: string
  readonly teamId: string
}

export async function maybeOneShare(tokenDigest: string): Promise<Share | undefined> {
  const row = await maybeOne(
    'share',
    'SELECT s.job_id, s.document_id, j.team_id FROM share s JOIN job j ON j.id = s.job_id WHERE s.token_digest = ? AND j.deleted_at IS NULL',
    [tokenDigest],
  )
  if (!row) return undefined
  const { job_id, document_id, team_id } = rowSchema.parse(row)
  return { jobId: job_id, documentId: document_id, teamId: team_id }
}

export const insertShare = (tokenDigest: string, jobId: string, documentId: string) =>
  run('insert share', 'INSERT INTO share (token_digest, job_id, document_id) VALUES (?, ?, ?)', [
    tokenDigest,
    jobId,
    documentId,
  ])
