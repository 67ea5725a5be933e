import { randomUUID } from 'node:crypto'
import {
  checkPlaces,
  checkSingles,
  isAllowed,
  ofKind,
  parseObject,
  storedObjects,
  type Change,
  type Conflict,
  type Objects,
} from '@/core/kinds/documents'
import { versionsIn } from '@/core/kinds/film'
import { changeBetween, checkChange, mergeChange, sameValue } from '@/core/model/change'
import { Fault } from '@/core/model/fault'
import { mayMake } from '@/core/model/roles'
import { type Catalogue } from '@/core/electrical/catalogue'
import { checkJob, type Job } from '@/core/kinds/job'
import { checkEquipment } from '@/core/stages/world'
import { transaction, type Runner } from './database'
import {
  insertDocument,
  insertEdit,
  manyDocuments,
  manyEditsSince,
  manyLastEdits,
  maybeOneDocumentForUpdate,
  maybeOneEditRevision,
  updateDocument,
  type FeedEdit,
} from './sql/documents'
import { insertJob, maybeOneJob, maybeOneJobForUpdate, touchJob, type JobRow } from './sql/jobs'
import { type Guest, type Member } from './sql/people'
import { editsSaved } from './metrics'
import { knownCatalogue } from './world'

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
      house: storedObjects(house.body, 'house', 'house', house.kinds),
      options: options.map((option) => ({
        id: option.id,
        objects: storedObjects(option.body, 'option', option.id, option.kinds),
      })),
    },
    revisions: Object.fromEntries(documents.map((document) => [document.id, document.revision])),
  }
}

const addressOf = (house: Objects) => ofKind(house, 'site')[0]?.address ?? ''

/** Stores a whole job as a new one and returns its id. */
export async function createJob(
  teamId: string,
  job: Job,
  { id = randomUUID(), runner }: { readonly id?: string; readonly runner?: Runner } = {},
): Promise<string> {
  checkJob(job)
  const catalogue = await knownCatalogue()
  if (catalogue)
    for (const option of job.options) checkEquipment({ house: job.house, option: option.objects, catalogue })
  const work = async (r: Runner) => {
    // Stored before, by a commit whose answer was lost.
    if (await maybeOneJob(teamId, id, r)) return
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

/** Objects in conflict, and who changed them last. */
export interface EditConflict {
  readonly id: string
  readonly documentId: string
  readonly objects: readonly (Conflict & { readonly by: string | null; readonly at: string | null })[]
}

export interface SaveResult {
  readonly saved: readonly { readonly id: string; readonly documentId: string; readonly revision: number }[]
  /** Edits that met fields somebody else had changed; nothing of them was stored. */
  readonly conflicts: readonly EditConflict[]
  /** Everything that happened to the job since the revision that the sender knew, these edits among it. */
  readonly feed: { readonly after: number; readonly edits: readonly FeedEdit[]; readonly revision: number }
}

/** Options a job may have. */
const mostOptions = 26

/** Who sends edits: the designer, the screen, and the job's revision that screen knows. */
export interface Sender {
  readonly who: Member | Guest
  readonly screenId: string | null
  readonly since: number
}

/**
 * Saves edits in their order, all in one transaction. Fields of an object merge; a field that is no longer as the edit
 * found it is returned as a conflict.
 * @throws Fault `no-such-job`, `not-your-part`, `bad-change`, `too-many-options`, `unknown-equipment`, and what a broken document throws.
 */
export async function saveEdits(
  { who, screenId, since }: Sender,
  jobId: string,
  edits: readonly Edit[],
): Promise<SaveResult> {
  const catalogue = await knownCatalogue()
  const result = await transaction('save edits', async (runner) => {
    // First of all, so that everything read after it is as the one before left it.
    const row = await maybeOneJobForUpdate(who.teamId, jobId, runner)
    if (!row || row.deleted) throw new Fault('no-such-job')
    const saved: { id: string; documentId: string; revision: number }[] = []
    const conflicts: EditConflict[] = []
    let address = row.address
    let fresh = 0
    for (const edit of edits) {
      const before = await maybeOneEditRevision(edit.id, jobId, runner)
      if (before !== undefined) {
        saved.push({ id: edit.id, documentId: edit.documentId, revision: before })
        continue
      }
      const place = { jobRevision: row.revision + 1, position: fresh, who, screenId }
      const result = await saveEdit(jobId, edit, place, catalogue, runner)
      if (result.conflicts.length > 0) {
        conflicts.push({ id: edit.id, documentId: edit.documentId, objects: result.conflicts })
        continue
      }
      if (edit.documentId === houseDocumentId) address = addressOf(result.objects)
      saved.push({ id: edit.id, documentId: edit.documentId, revision: result.revision })
      fresh++
    }
    if (fresh > 0) await touchJob(jobId, address === row.address ? null : address, runner)
    return {
      saved,
      conflicts,
      feed: {
        after: since,
        edits: await manyEditsSince(jobId, since, runner),
        revision: row.revision + (fresh > 0 ? 1 : 0),
      },
      fresh,
    }
  })
  editsSaved.inc(result.fresh)
  const { fresh: _fresh, ...answer } = result
  return answer
}

async function saveEdit(
  jobId: string,
  { id, documentId, change }: Edit,
  {
    who,
    ...place
  }: {
    readonly jobRevision: number
    readonly position: number
    readonly who: Member | Guest
    readonly screenId: string | null
  },
  catalogue: Catalogue | null,
  runner: Runner,
) {
  checkChange(change)
  const isHouse = documentId === houseDocumentId
  const kind = isHouse ? 'house' : 'option'
  const stored = await maybeOneDocumentForUpdate(jobId, documentId, runner)
  const current = stored ? storedObjects(stored.body, kind, documentId, stored.kinds) : {}
  const { objects, conflicts } = mergeChange(current, change, isAllowed)
  if (conflicts.length > 0) {
    const last = await manyLastEdits(jobId, documentId, runner)
    const found = conflicts.map((conflict) => ({ ...conflict, ...whoChanged(conflict, last) }))
    return { conflicts: found, objects: current, revision: stored?.revision ?? 0 }
  }
  // Each object was checked when it came in; one that two hands have made, when they were merged.
  checkPlaces(objects, kind, documentId)
  const revision = (stored?.revision ?? 0) + 1
  // An option that was removed is an empty one.
  if (isHouse || Object.keys(objects).length > 0) checkSingles(objects, kind)
  if (!isHouse && catalogue && Object.keys(objects).length > 0) {
    // With the modules that the job has brought itself.
    const body = await maybeOneDocumentForUpdate(jobId, houseDocumentId, runner)
    const house = body ? storedObjects(body.body, 'house', houseDocumentId, body.kinds) : {}
    checkEquipment({ house, option: objects, catalogue })
  }
  if (stored) await updateDocument(jobId, documentId, revision, objects, runner)
  else {
    const documents = await manyDocuments(jobId, runner)
    if (documents.length > mostOptions)
      throw new Fault('too-many-options', { limit: mostOptions }, documentId)
    await insertDocument(jobId, documentId, Math.max(0, ...documents.map((d) => d.sort)) + 1, objects, runner)
  }
  const done = changeBetween(current, objects)
  if (!mayMake(who.role, done)) throw new Fault('not-your-part', {}, documentId)
  await insertEdit(
    {
      id,
      jobId,
      documentId,
      revision,
      ...place,
      designerId: who.id,
      change: done,
      kinds: versionsIn(done),
    },
    runner,
  )
  return { conflicts: [], objects, revision }
}

/** Who changed what an edit met, as far as the log goes back. */
function whoChanged({ id, fields }: Conflict, last: readonly FeedEdit[]) {
  const found = last.find(({ change: { added, updated, removed } }) => {
    if (Object.hasOwn(added, id) || Object.hasOwn(removed, id)) return true
    const entry = Object.hasOwn(updated, id) ? updated[id] : undefined
    if (!entry) return false
    const [from, to] = entry as readonly [Record<string, unknown>, Record<string, unknown>]
    return fields.length === 0 || fields.some((field) => !sameValue(from[field], to[field]))
  })
  return { by: found?.by ?? null, at: found?.at ?? null }
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
