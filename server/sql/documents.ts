import { z } from 'zod'
import { kindVersions } from '@/core/kinds/documents'
import { many, maybeOne, run, type Runner } from '../database'

export const fromJson = (value: unknown): unknown => (typeof value === 'string' ? JSON.parse(value) : value)

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
    'SELECT revision FROM edit WHERE job_id = ? AND id = ?',
    [jobId, id],
    runner,
  )
  return row && z.object({ revision: z.number() }).parse(row).revision
}

/** An edit as it is kept in the job's log. */
export interface NewEdit {
  readonly id: string
  readonly jobId: string
  readonly documentId: string
  /** Of the document, and of the job. */
  readonly revision: number
  readonly jobRevision: number
  /** Among the edits of that revision of the job. */
  readonly position: number
  readonly designerId: string
  readonly screenId: string | null
  /** What it did to the document as it was, and the versions that its objects are written in. */
  readonly change: object
  readonly kinds: Readonly<Record<string, number>>
}

export const insertEdit = (edit: NewEdit, runner: Runner) =>
  run(
    'insert edit',
    'INSERT INTO edit (id, job_id, document_id, revision, job_revision, position, designer_id, screen_id, body, kinds) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
    [
      edit.id,
      edit.jobId,
      edit.documentId,
      edit.revision,
      edit.jobRevision,
      edit.position,
      edit.designerId,
      edit.screenId,
      JSON.stringify(edit.change),
      JSON.stringify(edit.kinds),
    ],
    runner,
  )

const feedSchema = z.object({
  id: z.string(),
  document_id: z.string(),
  job_revision: z.number(),
  screen_id: z.string().nullable(),
  designer: z.string(),
  saved_at: z.date(),
  body: z.preprocess(
    fromJson,
    z.custom<StoredChange>((value) => typeof value === 'object' && value !== null),
  ),
})

/** A change as it was stored: checked when it came in. */
interface StoredChange {
  readonly added: Readonly<Record<string, unknown>>
  readonly updated: Readonly<Record<string, readonly [unknown, unknown]>>
  readonly removed: Readonly<Record<string, unknown>>
}

/** An edit as others hear of it. */
export interface FeedEdit {
  readonly id: string
  readonly documentId: string
  readonly revision: number
  readonly change: StoredChange
  readonly by: string
  readonly screenId: string | null
  readonly at: string
}

export const feedColumns = `e.id, e.document_id, e.job_revision, e.screen_id, d.name AS designer, e.saved_at, e.body
  FROM edit e JOIN designer d ON d.id = e.designer_id`

export function toFeedEdit(row: unknown): FeedEdit {
  const r = feedSchema.parse(row)
  return {
    id: r.id,
    documentId: r.document_id,
    revision: r.job_revision,
    change: r.body,
    by: r.designer,
    screenId: r.screen_id,
    at: r.saved_at.toISOString(),
  }
}

/** Edits of a job after one of its revisions, in their order. */
export async function manyEditsSince(jobId: string, revision: number, runner?: Runner): Promise<FeedEdit[]> {
  const rows = await many(
    'edits since',
    `SELECT ${feedColumns} WHERE e.job_id = ? AND e.job_revision > ? ORDER BY e.job_revision, e.position`,
    [jobId, revision],
    runner,
  )
  return rows.map(toFeedEdit)
}

/** The last edits of a document, the newest first. */
export async function manyLastEdits(jobId: string, documentId: string, runner: Runner): Promise<FeedEdit[]> {
  const rows = await many(
    'last edits',
    `SELECT ${feedColumns} WHERE e.job_id = ? AND e.document_id = ? ORDER BY e.revision DESC LIMIT 100`,
    [jobId, documentId],
    runner,
  )
  return rows.map(toFeedEdit)
}
