import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { type Data } from '@/core/model/said'
import { Refused, type PendingEdit, type SendResult } from './store/outbox'

const faultSchema = z.object({
  error: z.object({
    code: z.string(),
    data: z.custom<Data>((value) => typeof value === 'object').optional(),
    path: z.string().optional(),
  }),
})
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

async function faultIn(answer: Response): Promise<Fault> {
  const parsed = faultSchema.safeParse(await answer.json().catch(() => null))
  if (!parsed.success) return new Fault('server-answered', { status: answer.status })
  const { code, data = {}, path = '' } = parsed.data.error
  return new Fault(code, data, path)
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
    throw new Refused(await faultIn(answer))
  if (!answer.ok) throw await faultIn(answer)
  return savedSchema.parse(await answer.json()) as unknown as SendResult
}

/** A new link to an option's proposal. */
export async function shareOption(
  jobId: string,
  optionId: string,
): Promise<{ path: string } | { fault: Fault }> {
  try {
    const answer = await post(`/api/jobs/${jobId}/share`, { optionId })
    if (!answer.ok) return { fault: await faultIn(answer) }
    return z.object({ path: z.string() }).parse(await answer.json())
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    return { fault: new Fault('server-away') }
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
    if (!answer.ok) throw await faultIn(answer)
    return z.object({ properties: z.object({ id: z.string() }) }).parse(await answer.json()).properties
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    throw new Fault('server-away')
  }
}
