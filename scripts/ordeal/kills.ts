import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { type Change } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { seededRandom } from '@/core/model/random'
import { shippedFile, shippedJob } from './shipped'
import { quantile, Report, rounded } from './report'
import { Visitor } from './visitor'

/**
 * The start command with its application and database, killed at random moments while three clients edit. What was
 * acknowledged has to be there, once.
 */

const parts = ['app', 'database', 'start'] as const

/** The start command on a folder of its own, started again whenever it dies. */
class Installation {
  readonly folder = mkdtempSync(join(tmpdir(), 'tall-gable-ordeal-'))
  readonly port: number
  #child: ChildProcess | null = null
  #ending = false

  constructor(port: number) {
    this.port = port
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`
  }

  start(): void {
    this.#child = spawn('node', ['scripts/start.mjs'], {
      stdio: 'ignore',
      env: { ...process.env, DATA_FOLDER: this.folder, PORT: String(this.port) },
    })
    this.#child.once('exit', () => {
      if (!this.#ending) this.start()
    })
  }

  kill(part: (typeof parts)[number]): void {
    const files = { app: 'app.pid', database: 'mariadb/mariadb.pid', start: 'start.pid' }
    const file = join(this.folder, files[part])
    const pid = existsSync(file) ? Number(readFileSync(file, 'utf8')) : 0
    if (!pid) return
    try {
      process.kill(pid, 'SIGKILL')
    } catch {
      // Gone already: killed again before it was back.
    }
  }

  async end(): Promise<void> {
    this.#ending = true
    const child = this.#child
    if (child && child.exitCode === null) {
      const gone = new Promise((done) => child.once('exit', done))
      child.kill('SIGTERM')
      await gone
    }
    // What a start command that was killed last has left behind.
    this.kill('app')
    this.kill('database')
    await pause(500)
    rmSync(this.folder, { recursive: true, force: true, maxRetries: 20, retryDelay: 200 })
  }
}

/** Edits one object over and over; tries an edit again until it is acknowledged. */
class Client {
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

/** @param isTimed whether how long it takes to be back has to hold, or is only told */
export async function kills(times: number, port: number, isTimed: boolean): Promise<Report> {
  const report = new Report(`Killed ${times} times under three editing clients`)
  const random = seededRandom(9)
  const installation = new Installation(port)
  installation.start()
  try {
    const visitor = new Visitor(installation.address)
    await until(async () => {
      await visitor.enter()
      return true
    }, 120_000)
    const job = shippedJob()
    const jobId = await visitor.import(shippedFile())
    const clients = ['tree-1', 'tree-2', 'chimney-1'].map((id) => {
      const object = job.house[id]
      if (!object) throw new Error(`the shipped job has ${id}`)
      return new Client(visitor, jobId, object, random)
    })
    const working = Promise.all(clients.map((client) => client.go()))
    const back: number[] = []
    for (let k = 0; k < times; k++) {
      await pause(300 + random() * 1500)
      const part = parts[Math.floor(random() * parts.length)] ?? 'app'
      const at = performance.now()
      installation.kill(part)
      await until(async () => clients.every((client) => client.lastAt > at + 5), 60_000)
      back.push(performance.now() - at)
    }
    for (const client of clients) client.stop()
    await working
    const feed = (await (await visitor.ask(`/api/jobs/${jobId}/edits?since=0`)).json()) as {
      edits: { id: string }[]
    }
    const stored = feed.edits.map(({ id }) => id)
    const acknowledged = clients.flatMap((client) => client.acknowledged)
    const kept = new Set(stored)
    const lost = acknowledged.filter((id) => !kept.has(id)).length
    const now = (await (await visitor.ask(`/api/jobs/${jobId}`)).json()) as {
      job: { house: Record<string, AnyObject> }
    }
    const equal = clients.every(
      ({ object }) => JSON.stringify(heightOf(now.job.house[object.id])) === JSON.stringify(heightOf(object)),
    )
    report.say(`${acknowledged.length} edits acknowledged, ${stored.length} stored`)
    report.say(
      `back after ${rounded(quantile(back, 0.5))} ms (median), ${rounded(Math.max(...back))} ms (worst)`,
    )
    report.holds(`0 acknowledged edits lost (${lost})`, lost === 0)
    report.holds(`0 doubled (${stored.length - kept.size})`, stored.length === kept.size)
    report.holds('the document is what was last acknowledged', equal)
    report.measured(
      isTimed,
      'back within 5 s (median) and 10 s (worst)',
      quantile(back, 0.5) < 5000 && Math.max(...back) < 10_000,
    )
    return report
  } finally {
    await installation.end()
  }
}

const heightOf = (object: AnyObject | undefined) => (object && 'heightM' in object ? object.heightM : null)

async function until(done: () => Promise<boolean>, ms: number): Promise<void> {
  const end = performance.now() + ms
  for (;;) {
    const isDone = await done().catch(() => false)
    if (isDone) return
    if (performance.now() > end) throw new Error(`not back after ${ms / 1000} s`)
    await pause(20)
  }
}
