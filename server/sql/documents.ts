import { z } from 'zod'
import { kindVersions } from '@/core/kinds/documents'
import { many, maybeOne, run, type Runner } from '../database'

const fromJson = (value: unknown): unknown => (typeof value === 'string' ? JSON.parse(value) : value)

const rowSchema = z.object({
  id: z.string(),
  sort: z.number(),
  revision: z.number(),
  kinds: z.preprocess(fromJson, z.record(z.string(), z.number())),
  body: z.preprocess(fromJson, z.record(z.string(), z.unknown())),
})

/** A stored document; its body is checked by whoever reads it, with its kinds' versions. */
export type DocumentRow = z.infer<typeof rowSchema>

export async function manyDocuments(jobId: string, runner?: Runner): Promise<DocumentRow[]> {
  const rows = await many(
    'documents of a job',
    'SELECT id, sort, revision, kinds, body FROM document WHERE job_id = ? ORDER BY sort, id',
    [jobId],
    runner,
  )
  return rows.map((row) => rowSchema.parse(row))
}

/** Locks the row until the transaction ends. */
export async function maybeOneDocumentForUpdate(
  jobId: string,
  id: string,
  runner: Runner,
): Promise<DocumentRow | undefined> {
  const row = await maybeOne(
    'lock document',
    'SELECT id, sort, revision, kinds, body FROM document WHERE job_id = ? AND id = ? FOR UPDATE',
    [jobId, id],
    runner,
  )
  return row && rowSchema.parse(row)
}

export const insertDocument = (jobId: string, id: string, sort: number, body: object, runner: Runner) =>
  run(
    'insert document',
    'INSERT INTO document (job_id, id, sort, kinds, body) VALUES (?, ?, ?, ?, ?)',
    [jobId, id, sort, JSON.stringify(kindVersions), JSON.stringify(body)],
    runner,
  )

export const updateDocument = (jobId: string, id: string, revision: number, body: object, runner: Runner) =>
  run(
    'update document',
    'UPDATE document SET revision = ?, kinds = ?, body = ? WHERE job_id = ? AND id = ?',
    [revision, JSON.stringify(kindVersions), JSON.stringify(body), jobId, id],
    runner,
  )

/** The revision an edit was saved under before; undefined when it is new. */
export async function maybeOneEditRevision(
  id: string,
  jobId: string,
  runner: Runner,
): Promise<number | undefined> {
  const row = await maybeOne(
    'edit',
    'SELECT revision FROM edit WHERE id = ? AND job_id = ?',
    [id, jobId],
    runner,
  )
  return row && z.object({ revision: z.number() }).parse(row).revision
}

export const insertEdit = (
  id: string,
  jobId: string,
  documentId: string,
  revision: number,
  designerId: string,
  change: object,
  runner: Runner,
) =>
  run(
    'insert edit',
    'INSERT INTO edit (id, job_id, document_id, revision, designer_id, body) VALUES (?, ?, ?, ?, ?, ?)',
    [id, jobId, documentId, revision, designerId, JSON.stringify(change)],
    runner,
  )
