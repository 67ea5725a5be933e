import { randomUUID } from 'node:crypto'
import {
  checkSingles,
  ofKind,
  parseObject,
  parseObjects,
  type Change,
  type Conflict,
  type Objects,
} from '@/core/kinds/documents'
import { applyChange, checkChange, conflictsOf, isEmptyChange } from '@/core/model/change'
import { Fault } from '@/core/model/fault'
import { checkJob, type Job } from '@/core/kinds/job'
import { transaction, type Runner } from './database'
import {
  insertDocument,
  insertEdit,
  manyDocuments,
  maybeOneDocumentForUpdate,
  maybeOneEditRevision,
  updateDocument,
} from './sql/documents'
import { insertJob, maybeOneJob, maybeOneJobForUpdate, touchJob, type JobRow } from './sql/jobs'
import { type Designer } from './sql/people'

export const houseDocumentId = 'house'

/** A job as the bench opens it: its documents and the revisions they are at. */
export interface StoredJob {
  readonly row: JobRow
  readonly job: Job
  readonly revisions: Readonly<Record<string, number>>
}

/** @throws Fault `no-such-job` when it does not exist or belongs to another team. */
export async function loadJob(teamId: string, id: string): Promise<StoredJob> {
  const row = await maybeOneJob(teamId, id)
  if (!row || row.deleted) throw new Fault('no-such-job')
  const documents = await manyDocuments(id)
  const house = documents.find((document) => document.id === houseDocumentId)
  if (!house) throw new Fault('no-such-job')
  const options = documents.filter(
    (document) => document.id !== houseDocumentId && Object.keys(document.body).length > 0,
  )
  return {
    row,
    job: {
      name: row.name,
      house: parseObjects(house.body, 'house', 'house', house.kinds),
      options: options.map((option) => ({
        id: option.id,
        objects: parseObjects(option.body, 'option', option.id, option.kinds),
      })),
    },
    revisions: Object.fromEntries(documents.map((document) => [document.id, document.revision])),
  }
}

const addressOf = (house: Objects) => ofKind(house, 'site')[0]?.address ?? ''

/** Stores a whole job as a new one and returns its id. */
export async function createJob(teamId: string, job: Job, runner?: Runner): Promise<string> {
  checkJob(job)
  const id = randomUUID()
  const work = async (r: Runner) => {
    await insertJob(id, teamId, job.name, addressOf(job.house), r)
    await insertDocument(id, houseDocumentId, 0, job.house, r)
    for (const [index, option] of job.options.entries())
      await insertDocument(id, option.id, index + 1, option.objects, r)
  }
  await (runner ? work(runner) : transaction('create job', work))
  return id
}

/** One edit as the browser's outbox sends it. */
export interface Edit {
  /** Made by the browser; sending it twice does it once. */
  readonly id: string
  readonly documentId: string
  readonly change: Change
}

export interface SaveResult {
  readonly saved: readonly { readonly id: string; readonly documentId: string; readonly revision: number }[]
  /** Edits that met objects somebody else had changed; nothing of them was stored. */
  readonly conflicts: readonly {
    readonly id: string
    readonly documentId: string
    readonly objects: readonly Conflict[]
  }[]
}

/** Options a job may have. */
const mostOptions = 26

/**
 * Saves edits in their order, all in one transaction. Changes of different objects merge; a change of an object that
 * is no longer as the edit found it is returned as a conflict.
 * @throws Fault `no-such-job`, `bad-change`, `too-many-options`, and what a broken document throws.
 */
export async function saveEdits(
  designer: Designer,
  jobId: string,
  edits: readonly Edit[],
): Promise<SaveResult> {
  return transaction('save edits', async (runner) => {
    // First of all, so that everything read after it is as the one before left it.
    const row = await maybeOneJobForUpdate(designer.teamId, jobId, runner)
    if (!row || row.deleted) throw new Fault('no-such-job')
    const saved: { id: string; documentId: string; revision: number }[] = []
    const conflicts: { id: string; documentId: string; objects: readonly Conflict[] }[] = []
    let address = row.address
    for (const edit of edits) {
      const before = await maybeOneEditRevision(edit.id, jobId, runner)
      if (before !== undefined) {
        saved.push({ id: edit.id, documentId: edit.documentId, revision: before })
        continue
      }
      const result = await saveEdit(designer, jobId, edit, runner)
      if (result.conflicts.length > 0) {
        conflicts.push({ id: edit.id, documentId: edit.documentId, objects: result.conflicts })
        continue
      }
      if (edit.documentId === houseDocumentId) address = addressOf(result.objects)
      saved.push({ id: edit.id, documentId: edit.documentId, revision: result.revision })
    }
    if (saved.length > 0) await touchJob(jobId, address, runner)
    return { saved, conflicts }
  })
}

async function saveEdit(designer: Designer, jobId: string, { id, documentId, change }: Edit, runner: Runner) {
  checkChange(change)
  const isHouse = documentId === houseDocumentId
  const kind = isHouse ? 'house' : 'option'
  const stored = await maybeOneDocumentForUpdate(jobId, documentId, runner)
  const current = stored ? parseObjects(stored.body, kind, documentId, stored.kinds) : {}
  const conflicts = conflictsOf(current, change)
  const revision = (stored?.revision ?? 0) + 1
  if (conflicts.length > 0 || isEmptyChange(change))
    return { conflicts, objects: current, revision: stored?.revision ?? 0 }
  const objects = parseObjects(applyChange(current, change), kind, documentId)
  // An option that was removed is an empty one.
  if (isHouse || Object.keys(objects).length > 0) checkSingles(objects, kind)
  if (stored) await updateDocument(jobId, documentId, revision, objects, runner)
  else {
    const documents = await manyDocuments(jobId, runner)
    if (documents.length > mostOptions)
      throw new Fault('too-many-options', { limit: mostOptions }, documentId)
    await insertDocument(jobId, documentId, Math.max(0, ...documents.map((d) => d.sort)) + 1, objects, runner)
  }
  await insertEdit(id, jobId, documentId, revision, designer.id, change, runner)
  return { conflicts, objects, revision }
}

/** Checks the objects of a change that came from outside. */
export function parseChange(
  value: {
    added: Record<string, unknown>
    updated: Record<string, readonly [unknown, unknown]>
    removed: Record<string, unknown>
  },
  path: string,
): Change {
  const objects = (record: Record<string, unknown>, part: string) =>
    Object.fromEntries(
      Object.entries(record).map(([id, object]) => [id, parseObject(object, `${path}.${part}.${id}`)]),
    )
  return {
    added: objects(value.added, 'added'),
    removed: objects(value.removed, 'removed'),
    updated: Object.fromEntries(
      Object.entries(value.updated).map(([id, [from, to]]) => [
        id,
        [parseObject(from, `${path}.updated.${id}.0`), parseObject(to, `${path}.updated.${id}.1`)] as const,
      ]),
    ),
  }
}
