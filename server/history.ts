import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { nameSchema } from '@/core/model/object-base'
import { transaction } from './database'
import {
  countEdits,
  countVersions,
  insertVersion,
  manyEditsBefore,
  manyEditSizes,
  manyVersions,
  removeVersion,
  type PastEdit,
  type Place,
} from './sql/history'
import { maybeOneJob, maybeOneJobForUpdate } from './sql/jobs'
import { type Designer } from './sql/people'

/** Of one answer: edits, and bytes of theirs; one at least whatever its size. */
const mostEdits = 1000
const mostBytes = 4_000_000
/** Names that moments of one job may have. */
const mostVersions = 200

/** A part of a job's log, the newest edit first. */
export interface HistoryPart {
  readonly edits: readonly PastEdit[]
  /** Where the part before this one begins; null where there is none. */
  readonly before: string | null
  /** Edits in the log from where this part begins to the first of all. */
  readonly count: number
  readonly versions: Awaited<ReturnType<typeof manyVersions>>
}

const placeSchema = z
  .string()
  .regex(/^\d{1,15}\.\d{1,9}$/)
  .transform((text): Place => {
    const [revision = 0, position = 0] = text.split('.').map(Number)
    return { revision, position }
  })

/**
 * A part of what was done to a job, from a place backwards.
 * @param before `revision.position`: edits from there on are left out; null: from now
 * @throws Fault `no-such-job`, `bad-body`
 */
export async function historyOf(teamId: string, jobId: string, before: string | null): Promise<HistoryPart> {
  const row = await maybeOneJob(teamId, jobId)
  if (!row || row.deleted) throw new Fault('no-such-job')
  const place = placeSchema.safeParse(before ?? `${row.revision + 1}.0`)
  if (!place.success)
    throw new Fault('bad-body', { at: 'before', rule: { code: 'not-as-expected' } }, 'before')
  const sizes = await manyEditSizes(jobId, place.data, mostEdits + 1)
  let bytes = 0
  const fitting = sizes.findIndex((size, n) => (bytes += size.bytes) > mostBytes && n > 0)
  const told = sizes.slice(0, Math.min(fitting === -1 ? sizes.length : fitting, mostEdits))
  const last = told.at(-1)
  return {
    edits: told.length > 0 ? await manyEditsBefore(jobId, place.data, told.length) : [],
    before: last && told.length < sizes.length ? `${last.revision}.${last.position}` : null,
    count: await countEdits(jobId, place.data),
    versions: await manyVersions(jobId),
  }
}

/** A name for a moment: the job as it was with all edits up to a revision. The id is made by whoever names it. */
export const newVersionSchema = z.strictObject({
  id: z.uuid(),
  name: nameSchema,
  revision: z.int().min(1),
})

/** @throws Fault `no-such-job`, `no-such-moment`, `too-many-versions` */
export async function nameVersion(
  who: Designer,
  jobId: string,
  version: z.infer<typeof newVersionSchema>,
): Promise<void> {
  await transaction('name version', async (runner) => {
    const row = await maybeOneJobForUpdate(who.teamId, jobId, runner)
    if (!row || row.deleted) throw new Fault('no-such-job')
    if (version.revision > row.revision) throw new Fault('no-such-moment', {}, 'revision')
    if ((await countVersions(jobId, runner)) >= mostVersions)
      throw new Fault('too-many-versions', { limit: mostVersions })
    await insertVersion(jobId, version, who.id, runner)
  })
}

/** Takes a name away; the moment itself stays in the log. @throws Fault `no-such-job`, `no-such-moment` */
export async function unnameVersion(teamId: string, jobId: string, id: string): Promise<void> {
  const row = await maybeOneJob(teamId, jobId)
  if (!row || row.deleted) throw new Fault('no-such-job')
  if ((await removeVersion(jobId, id)) === 0) throw new Fault('no-such-moment')
}
