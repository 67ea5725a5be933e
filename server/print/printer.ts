import { fork, type ChildProcess } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { Fault } from '@/core/model/fault'
import { log } from '../log'
import { lesserUser, type LesserUser } from './lesser-user'

interface Waiting {
  readonly say: (progress: number) => void
  readonly done: (pdf: Buffer) => void
  readonly failed: (fault: Fault) => void
}

type Answer =
  | { readonly id: number; readonly pdf?: string; readonly error?: string; readonly progress?: number }
  | { readonly ready: boolean }

/** How long a page may take, with its wait. */
const printMs = 60_000

/** Prints our own pages in a process of its own, which it starts when it is first needed and again when it dies. */
class Printer {
  readonly #waiting = new Map<number, Waiting>()
  #child: ChildProcess | null = null
  #user: LesserUser | null = null
  #count = 0

  /**
   * A page of this server as PDF, on the paper it names by `data-paper`, once it says by `data-print="ready"` that all of it is drawn.
   * @param path on this server, never a whole address
   * @param say told how far it has come, from 0 to 1
   * @throws Fault `pdf-failed`, `given-up`
   */
  async print(path: string, signal: AbortSignal, say: (progress: number) => void): Promise<Buffer> {
    const origin = process.env['APP_ORIGIN']
    if (!origin) throw new Fault('pdf-failed', { reason: 'address' })
    const id = ++this.#count
    const timeout = AbortSignal.timeout(printMs)
    const ended = AbortSignal.any([signal, timeout])
    return new Promise<Buffer>((done, failed) => {
      const giveUp = () => {
        this.#child?.send({ cancel: id })
        this.#waiting.delete(id)
        failed(timeout.aborted ? new Fault('pdf-failed', { reason: 'printing' }) : new Fault('given-up'))
      }
      ended.addEventListener('abort', giveUp, { once: true })
      const settle = () => {
        ended.removeEventListener('abort', giveUp)
        this.#waiting.delete(id)
      }
      this.#waiting.set(id, {
        say,
        done: (pdf) => {
          settle()
          done(pdf)
        },
        failed: (fault) => {
          settle()
          failed(fault)
        },
      })
      this.#running().send({ id, url: `${origin}${path}` })
    })
  }

  #running(): ChildProcess {
    if (this.#child) return this.#child
    const file = join(/* turbopackIgnore: true */ process.cwd(), 'dist', 'print.mjs')
    this.#user ??= lesserUser(file)
    const user = this.#user
    const child = fork(file, [], {
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      ...(user ? { uid: user.uid, gid: user.gid } : {}),
      // Nothing of what the server is told in secret.
      env: {
        PATH: process.env['PATH'],
        HOME: user?.home ?? process.env['HOME'],
        TMPDIR: user?.home ?? process.env['TMPDIR'],
        // Where compiled shaders are kept; the graphics library asks the list of users, where nobody has no home.
        XDG_CACHE_HOME: user?.home ?? process.env['XDG_CACHE_HOME'],
        CHROMIUM: process.env['CHROMIUM'],
        NODE_ENV: 'production',
      },
    })
    child.on('message', (answer: Answer) => this.#take(answer))
    child.on('error', (error) => log.error({ error: error.message }, 'printer'))
    child.once('exit', (code, signal) => {
      log.warn({ code, signal }, 'printer ended')
      this.#child = null
      for (const { failed } of [...this.#waiting.values()])
        failed(new Fault('pdf-failed', { reason: 'printing' }))
    })
    this.#child = child
    return child
  }

  #take(answer: Answer): void {
    if ('ready' in answer) {
      log.info({ user: this.#user ? 'nobody' : 'own', ...answer }, 'printer')
      return
    }
    const waiting = this.#waiting.get(answer.id)
    if (answer.progress !== undefined) waiting?.say(answer.progress)
    else if (answer.pdf !== undefined) waiting?.done(Buffer.from(answer.pdf, 'base64'))
    else {
      log.error({ error: answer.error }, 'pdf')
      waiting?.failed(new Fault('pdf-failed', { reason: 'printing' }))
    }
  }

  /** Has the browser ready before the first offer is asked for. */
  warm(): void {
    this.#running()
  }

  end(): void {
    this.#child?.kill()
    if (this.#user) rmSync(this.#user.home, { recursive: true, force: true })
  }
}

const holder = globalThis as { tallGablePrinter?: Printer }
export const printer = (): Printer => (holder.tallGablePrinter ??= new Printer())
