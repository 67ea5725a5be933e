import { setTimeout as pause } from 'node:timers/promises'
import { type Change } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { type Report } from './report'
import { shippedFile, shippedJob } from './shipped'
import { type Visitor } from './visitor'

/** Edits one object over and over; tries an edit again until it is acknowledged. */
export class Client {
  readonly acknowledged: string[] = []
  object: AnyObject
  readonly #visitor: Visitor
  readonly #jobId: string
  readonly #random: () => number
  #stopped = false
  lastAt = 0

  constructor(visitor: Visitor, jobId: string, object: AnyObject, random: () => number) {
    this.#visitor = visitor
    this.#jobId = jobId
    this.object = object
    this.#random = random
  }

  async go(): Promise<void> {
    while (!this.#stopped) {
      const to = { ...this.object, heightM: 1 + Math.round(this.#random() * 1000) / 1000 } as AnyObject
      const change: Change = { added: {}, removed: {}, updated: { [to.id]: [this.object, to] } }
      const id = crypto.randomUUID()
      while (!(await this.#sent(id, change))) await pause(50)
      this.acknowledged.push(id)
      this.object = to
      this.lastAt = performance.now()
      await pause(20)
    }
  }

  stop(): void {
    this.#stopped = true
  }

  async #sent(id: string, change: Change): Promise<boolean> {
    try {
      const answer = await this.#visitor.ask(`/api/jobs/${this.#jobId}/changes`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ edits: [{ id, documentId: 'house', change }] }),
        signal: AbortSignal.timeout(8000),
      })
      if (answer.status === 200) {
        const { saved } = (await answer.json()) as { saved: { id: string }[] }
        return saved.some((one) => one.id === id)
      }
      if (answer.status !== 503)
        throw new Error(`an edit was answered ${answer.status}: ${await answer.text()}`)
      return false
    } catch (error) {
      // No connection, or one that was cut.
      if (error instanceof TypeError || (error instanceof Error && error.name === 'TimeoutError'))
        return false
      throw error
    }
  }
}

/** A new job, and three that edit one object of it each. */
export async function threeClients(
  visitor: Visitor,
  random: () => number,
): Promise<{ readonly jobId: string; readonly clients: readonly Client[] }> {
  const job = shippedJob()
  const jobId = await visitor.import(shippedFile())
  const clients = ['tree-1', 'tree-2', 'chimney-1'].map((id) => {
    const object = job.house[id]
    if (!object) throw new Error(`the shipped job has ${id}`)
    return new Client(visitor, jobId, object, random)
  })
  return { jobId, clients }
}

/** What is said at an address: asked again where an application that was killed is only now replaced. */
async function told<T>(visitor: Visitor, path: string): Promise<T> {
  const found: T[] = []
  await until(async () => {
    const answer = await visitor.ask(path)
    if (answer.status === 200) found.push((await answer.json()) as T)
    return answer.status === 200
  }, 60_000)
  const [last] = found
  if (last === undefined) throw new Error(`${path} says nothing`)
  return last
}

/** Holds what is stored against what was acknowledged. */
export async function compare(
  report: Report,
  visitor: Visitor,
  jobId: string,
  clients: readonly Client[],
): Promise<void> {
  const feed = await told<{ edits: { id: string }[] }>(visitor, `/api/jobs/${jobId}/edits?since=0`)
  const stored = feed.edits.map(({ id }) => id)
  const acknowledged = clients.flatMap((client) => client.acknowledged)
  const kept = new Set(stored)
  const lost = acknowledged.filter((id) => !kept.has(id)).length
  const now = await told<{ job: { house: Record<string, AnyObject> } }>(visitor, `/api/jobs/${jobId}`)
  const equal = clients.every(
    ({ object }) => JSON.stringify(heightOf(now.job.house[object.id])) === JSON.stringify(heightOf(object)),
  )
  report.say(`${acknowledged.length} edits acknowledged, ${stored.length} stored`)
  report.holds(`0 acknowledged edits lost (${lost})`, lost === 0)
  report.holds(`0 doubled (${stored.length - kept.size})`, stored.length === kept.size)
  report.holds('the document is what was last acknowledged', equal)
}

const heightOf = (object: AnyObject | undefined) => (object && 'heightM' in object ? object.heightM : null)

export async function until(done: () => Promise<boolean>, ms: number): Promise<void> {
  const end = performance.now() + ms
  for (;;) {
    const isDone = await done().catch(() => false)
    if (isDone) return
    if (performance.now() > end) throw new Error(`not back after ${ms / 1000} s`)
    await pause(20)
  }
}
