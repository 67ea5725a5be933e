import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { seededRandom } from '@/core/model/random'
import { compare, threeClients, until } from './clients'
import { quantile, Report, rounded } from './report'
import { Visitor } from './visitor'

/**
 * The start command with its application, worker and database, killed at random moments while three clients edit. What was
 * acknowledged has to be there, once.
 */

const parts = ['app', 'worker', 'database', 'start'] as const

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
    const files = {
      app: 'app.pid',
      worker: 'worker.pid',
      database: 'mariadb/mariadb.pid',
      start: 'start.pid',
    }
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
    this.kill('worker')
    this.kill('database')
    await pause(500)
    rmSync(this.folder, { recursive: true, force: true, maxRetries: 20, retryDelay: 200 })
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
    const { jobId, clients } = await threeClients(visitor, random)
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
    await compare(report, visitor, jobId, clients)
    report.say(
      `back after ${rounded(quantile(back, 0.5))} ms (median), ${rounded(Math.max(...back))} ms (worst)`,
    )
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
