import { z } from 'zod'
import { type Fault } from '@/core/model/fault'
import { answered, feedEditSchema, send } from '../requests'
import { type PastEdit, type Version } from './reel'

const partSchema = z.object({
  edits: z.array(feedEditSchema.extend({ kinds: z.record(z.string(), z.number()).nullable() })),
  before: z.string().nullable(),
  count: z.number(),
  versions: z.array(
    z.object({ id: z.string(), name: z.string(), revision: z.number(), by: z.string(), at: z.string() }),
  ),
})

/** What the server tells of a job's past at once, the newest edit first. */
export interface HistoryPart {
  readonly edits: readonly PastEdit[]
  readonly before: string | null
  readonly count: number
  readonly versions: readonly Version[]
}

/** @param before where the part before this one began */
export const askHistory = async (
  jobId: string,
  before: string,
): Promise<HistoryPart | { readonly fault: Fault }> =>
  // Objects of the log are checked by whoever goes back to them.
  (await answered(
    () => fetch(`/api/jobs/${jobId}/history?before=${encodeURIComponent(before)}`),
    partSchema,
  )) as unknown as HistoryPart | { readonly fault: Fault }

export const nameMoment = (jobId: string, version: Pick<Version, 'id' | 'name' | 'revision'>) =>
  answered(() => send(`/api/jobs/${jobId}/versions`, version), z.object({ id: z.string() }))

export const unnameMoment = (jobId: string, id: string) =>
  answered(
    () => fetch(`/api/jobs/${jobId}/versions/${id}`, { method: 'DELETE' }),
    z.object({ ok: z.boolean() }),
  )
