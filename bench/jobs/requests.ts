import { z } from 'zod'
import { faults } from '@/words/en/faults'

export type Answer = { readonly id: string } | { readonly fault: string }

const faultSchema = z.object({ error: z.object({ message: z.string() }) })

/** Asks the server; an id that is known already is given back when all went well. */
export async function ask(url: string, method: string, body: string, id?: string): Promise<Answer> {
  try {
    const answer = await fetch(url, { method, headers: { 'Content-Type': 'application/json' }, body })
    const value: unknown = await answer.json()
    if (!answer.ok) {
      const parsed = faultSchema.safeParse(value)
      return { fault: parsed.success ? parsed.data.error.message : `The server answered ${answer.status}.` }
    }
    return id === undefined ? z.object({ id: z.string() }).parse(value) : { id }
  } catch (error) {
    if (!(error instanceof TypeError || error instanceof SyntaxError)) throw error
    return { fault: faults['server-away'] }
  }
}

export type Ask = typeof ask

export const createJob = (address: string, templateId: string) =>
  ask('/api/jobs', 'POST', JSON.stringify({ address, ...(templateId !== '' && { templateId }) }))
export const copyJob = (id: string) => ask('/api/jobs', 'POST', JSON.stringify({ copyOf: id }))
export const setDeleted = (id: string, deleted: boolean) =>
  ask(`/api/jobs/${id}`, 'PATCH', JSON.stringify({ deleted }), id)

const largestBytes = 48_000_000

export async function importJob(file: File): Promise<Answer> {
  if (file.size > largestBytes)
    return { fault: `${file.name} is larger than 48 MB; a job’s file is smaller.` }
  const answer = await ask('/api/jobs/import', 'POST', await file.text())
  return 'fault' in answer ? { fault: `${file.name}: ${answer.fault}` } : answer
}
