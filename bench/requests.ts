import { z } from 'zod'
import { type ReadModel } from '@/core/imports/model/mesh'
import { Fault } from '@/core/model/fault'
import { type Data } from '@/core/model/said'
import { changeSchema, objectSchema } from './store/change-schema'
import { Barred, Refused, type Feed, type PendingEdit, type SendResult } from './store/outbox'

const faultSchema = z.object({
  error: z.object({
    code: z.string(),
    data: z.custom<Data>((value) => typeof value === 'object').optional(),
    path: z.string().optional(),
  }),
})
/** An edit of the log. */
export const feedEditSchema = z.object({
  id: z.string(),
  documentId: z.string(),
  revision: z.number(),
  change: changeSchema,
  by: z.string(),
  screenId: z.string().nullable(),
  at: z.string(),
})
const feedSchema = z.object({ after: z.number(), revision: z.number(), edits: z.array(feedEditSchema) })
const savedSchema = z.object({
  saved: z.array(z.object({ id: z.string() })),
  conflicts: z.array(
    z.object({
      id: z.string(),
      documentId: z.string(),
      objects: z.array(
        z.object({
          id: z.string(),
          fields: z.array(z.string()),
          theirs: objectSchema.nullable(),
          ours: objectSchema.nullable(),
          by: z.string().nullable(),
          at: z.string().nullable(),
        }),
      ),
    }),
  ),
  feed: feedSchema,
})

export const send = (url: string, body: unknown, method = 'POST') =>
  fetch(url, { method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })

async function faultIn(answer: Response): Promise<Fault> {
  const parsed = faultSchema.safeParse(await answer.json().catch(() => null))
  if (!parsed.success) return new Fault('server-answered', { status: answer.status })
  const { code, data = {}, path = '' } = parsed.data.error
  return new Fault(code, data, path)
}

/** Answers after which the same edits may be sent again as they are. */
const passing = new Set([408, 425, 429])

/**
 * Sends edits of a screen that knows a revision of the job.
 * @throws Refused when the server will never take them, Barred when somebody has to do something first, any other error
 * when it may take them later
 */
export async function sendEdits(
  jobId: string,
  screen: string,
  since: number,
  edits: readonly PendingEdit[],
): Promise<SendResult> {
  const answer = await send(`/api/jobs/${jobId}/changes`, { screen, since, edits })
  if (answer.status === 401) throw new Barred('signed-out')
  if (!answer.ok) {
    const fault = await faultIn(answer)
    if (fault.code === 'no-such-job') throw new Barred('deleted')
    if (answer.status < 500 && !passing.has(answer.status)) throw new Refused(fault)
    throw fault
  }
  return savedSchema.parse(await answer.json()) as unknown as SendResult
}

/** Everything that was done to a job after a revision; null when the server does not say now. */
export async function editsSince(jobId: string, since: number): Promise<Feed | null> {
  try {
    const answer = await fetch(`/api/jobs/${jobId}/edits?since=${since}`)
    return answer.ok ? (feedSchema.parse(await answer.json()) as unknown as Feed) : null
  } catch (error) {
    if (error instanceof TypeError) return null
    throw error
  }
}

/** Says that a screen is there and what is selected on it; a word that is lost is said again soon. */
export function sayPresence(jobId: string, screen: string, selection: string | null, leaving: boolean): void {
  const body = JSON.stringify({ screen, selection, leaving })
  fetch(`/api/jobs/${jobId}/presence`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body,
    keepalive: true,
  }).catch(() => undefined)
}

const keptSchema = z.object({ id: z.string() })

/**
 * Keeps a picture or a drawing with the team.
 * @throws Fault `file-not-kept` while the server can't be reached, or what it says
 */
export async function keepFile(bytes: Uint8Array<ArrayBuffer>): Promise<{ readonly fileId: string }> {
  const answer = await fetch('/api/files', { method: 'POST', body: bytes }).catch(() => null)
  if (!answer) throw new Fault('file-not-kept')
  if (!answer.ok) throw await faultIn(answer)
  return { fileId: keptSchema.parse(await answer.json()).id }
}

const modelSchema = z.object({
  format: z.enum(['obj', 'gltf', 'ifc']),
  metresPerUnit: z.number().nullable(),
  up: z.enum(['y', 'z']).nullable(),
  fileTriangles: z.number(),
  offBy: z.number(),
  positions: z.array(z.number()).transform((list) => Float32Array.from(list)),
  indices: z.array(z.number()).transform((list) => Uint32Array.from(list)),
})

/**
 * Has a file of a 3D model read.
 * @throws Fault `file-not-read` while the server can't be reached, `given-up` when it was stopped, or what it says
 */
export async function readModelFile(file: Blob, signal: AbortSignal): Promise<ReadModel> {
  const answer = await fetch('/api/models', { method: 'POST', body: file, signal }).catch(() => null)
  if (!answer) throw new Fault(signal.aborted ? 'given-up' : 'file-not-read')
  if (!answer.ok) throw await faultIn(answer)
  return modelSchema.parse(await answer.json())
}

/** Brings a deleted job back. */
export async function restoreJob(jobId: string): Promise<boolean> {
  const answer = await send(`/api/jobs/${jobId}`, { deleted: false }, 'PATCH').catch(() => null)
  return answer?.ok === true
}

const offersSchema = z.object({
  offers: z.array(
    z.object({
      id: z.string(),
      optionId: z.string(),
      name: z.string(),
      sentAt: z.string(),
      by: z.string().nullable(),
      seen: z.number(),
      seenAt: z.string().nullable(),
      withdrawn: z.boolean(),
      expiresAt: z.string().nullable(),
      accepted: z.object({ at: z.string(), by: z.string(), way: z.string().nullable() }).nullable(),
      questions: z.array(z.object({ by: z.string(), question: z.string(), at: z.string() })),
      outdated: z.boolean(),
      hasFile: z.boolean(),
      path: z.string().nullable(),
    }),
  ),
})
export type ListedOffer = z.infer<typeof offersSchema>['offers'][number]

/** What `ask` answers, or why it can't be had. */
export async function answered<T>(
  ask: () => Promise<Response>,
  schema: z.ZodType<T>,
): Promise<T | { fault: Fault }> {
  try {
    const answer = await ask()
    if (!answer.ok) return { fault: await faultIn(answer) }
    return schema.parse(await answer.json())
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    return { fault: new Fault('server-away') }
  }
}

/** A new offer of an option, as it is now, and its link. */
export const sendOffer = (jobId: string, optionId: string) =>
  answered(() => send(`/api/jobs/${jobId}/offers`, { optionId }), z.object({ path: z.string() }))

/** The offers that were sent of a job, the last one first. */
export const listOffers = (jobId: string) => answered(() => fetch(`/api/jobs/${jobId}/offers`), offersSchema)

export const withdrawOffer = (jobId: string, offerId: string, withdrawn: boolean) =>
  answered(
    () => send(`/api/jobs/${jobId}/offers/${offerId}`, { withdrawn }, 'PATCH'),
    z.object({ ok: z.boolean() }),
  )

/**
 * Keeps a weather table on the server.
 * @throws Fault what the server says, or that it does not answer
 */
export async function sendWeather(csv: string): Promise<{ readonly id: string }> {
  try {
    const answer = await fetch('/api/weather', {
      method: 'POST',
      headers: { 'Content-Type': 'text/csv; charset=utf-8' },
      body: csv,
    })
    if (!answer.ok) throw await faultIn(answer)
    return z.object({ properties: z.object({ id: z.string() }) }).parse(await answer.json()).properties
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    throw new Fault('server-away')
  }
}
