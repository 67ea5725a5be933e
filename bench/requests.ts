import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { Refused, type PendingEdit, type SendResult } from './store/outbox'

const faultSchema = z.object({ error: z.object({ code: z.string(), message: z.string() }) })
const objectSchema = z.looseObject({ id: z.string(), kind: z.string() }).nullable()
const savedSchema = z.object({
  saved: z.array(z.object({ id: z.string() })),
  conflicts: z.array(
    z.object({
      id: z.string(),
      documentId: z.string(),
      objects: z.array(z.object({ id: z.string(), theirs: objectSchema, ours: objectSchema })),
    }),
  ),
})

const post = (url: string, body: unknown) =>
  fetch(url, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })

async function messageOf(answer: Response): Promise<string> {
  const parsed = faultSchema.safeParse(await answer.json().catch(() => null))
  return parsed.success ? parsed.data.error.message : `The server answered ${answer.status}.`
}

/** Sends edits; throws `Refused` when the server will never take them, any other error when it may later. */
export async function sendEdits(jobId: string, edits: readonly PendingEdit[]): Promise<SendResult> {
  const answer = await post(`/api/jobs/${jobId}/changes`, { edits })
  if (
    answer.status >= 400 &&
    answer.status < 500 &&
    answer.status !== 401 &&
    answer.status !== 408 &&
    answer.status !== 429
  )
    throw new Refused(await messageOf(answer))
  if (!answer.ok) throw new Error(await messageOf(answer))
  return savedSchema.parse(await answer.json()) as unknown as SendResult
}

/** A new link to an option's proposal. */
export async function shareOption(
  jobId: string,
  optionId: string,
): Promise<{ path: string } | { fault: string }> {
  try {
    const answer = await post(`/api/jobs/${jobId}/share`, { optionId })
    if (!answer.ok) return { fault: await messageOf(answer) }
    return z.object({ path: z.string() }).parse(await answer.json())
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    return { fault: 'The server does not answer. Your edits are kept; try again in a moment.' }
  }
}

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
    if (!answer.ok) throw new Fault('refused', await messageOf(answer))
    return z.object({ properties: z.object({ id: z.string() }) }).parse(await answer.json()).properties
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    throw new Fault('offline', 'The server does not answer. The job is as it was; try again in a moment.')
  }
}
