import { randomUUID } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import { Fault, type FaultDetail } from '@/core/model/fault'
import { transaction } from '../database'
import { log } from '../log'
import { DatabaseError } from '../sql-errors'
import {
  dueTasks,
  endWork,
  holdWork,
  putOffWork,
  removeSpentWork,
  takeWork,
  type TakenWork,
} from '../sql/work-taking'
import { isTask, passing, tasks, type TaskName } from './tasks'

/** What a piece of work is done with. */
export interface Doing {
  /** Of the work: whatever it stores bears this, so that it is stored once however often it is begun. */
  readonly id: string
  readonly input: unknown
  readonly given: Buffer | null
  /** Says that nobody wants it any more, or another has taken it. */
  readonly signal: AbortSignal
  /** Tells how far it has come, from 0 to 1. */
  readonly say: (progress: number) => void
}

export interface Done {
  readonly outcome?: unknown
  readonly made?: Uint8Array
}

export type Doers = Readonly<Record<TaskName, (doing: Doing) => Promise<Done>>>

interface WorkerOptions {
  readonly doers: Doers
  /** Pieces of work at once, by lane. */
  readonly atOnce: Readonly<Record<'compute' | 'print', number>>
  readonly times?: Partial<typeof usualTimes>
}

const usualTimes = {
  /** Between two looks for work, and after one that failed. */
  restMs: 150,
  failedMs: 2000,
  /** Work is held so long, and for as long again every so often. */
  heldSeconds: 6,
  holdMs: 1000,
  /** Before the end of work is told once more where the database did not hear it; then twice as long, and so on. */
  endingMs: 100,
  /** After the first attempt that failed; after each more, four times as long. */
  againSeconds: 1,
  /** What ended is swept away, and stays there so long until then; what was set aside for some days. */
  sweepMs: 60_000,
  keptMinutes: 30,
  asideDays: 14,
}

/** Failed attempts after which work is set aside, and attempts in whose middle a worker ended: that may be chance more often. */
const mostFailed = 3
const mostLost = 5

const messageOf = (error: unknown) => (error instanceof Error ? error.message : 'unknown')

/**
 * Takes long work from its table and does it, for as long as it is let. Any number of workers on any number of machines
 * share one table: each piece is taken by one, held for as long as that lives, and free again when it dies.
 */
export class Worker {
  readonly #id = randomUUID()
  readonly #doers: Doers
  readonly #atOnce: WorkerOptions['atOnce']
  readonly #times: typeof usualTimes
  readonly #running = new Map<string, { readonly lane: 'compute' | 'print'; readonly done: Promise<void> }>()
  readonly #ending = new AbortController()
  /** Ends a rest: there is room for more. */
  #freed = new AbortController()
  #sweptAt = 0
  #going: Promise<void> | null = null

  constructor({ doers, atOnce, times }: WorkerOptions) {
    this.#doers = doers
    this.#atOnce = atOnce
    this.#times = { ...usualTimes, ...times }
  }

  start(): void {
    this.#going ??= this.#go()
  }

  /** Takes no more, and gives back what it holds: others begin it anew at once, and no attempt is counted. */
  async stop(): Promise<void> {
    this.#ending.abort()
    await this.#going
    await Promise.all([...this.#running.values()].map(({ done }) => done))
  }

  async #go(): Promise<void> {
    const ending = this.#ending.signal
    while (!ending.aborted) {
      let restMs = this.#times.restMs
      this.#freed = new AbortController()
      try {
        await this.#sweep()
        const due = await dueTasks()
        for (const lane of ['compute', 'print'] as const) await this.#take(lane, due)
      } catch (error) {
        log.warn({ error: messageOf(error) }, 'no work could be looked for')
        restMs = this.#times.failedMs
      }
      const signal = AbortSignal.any([ending, this.#freed.signal])
      await pause(restMs, undefined, { signal }).catch(() => undefined)
    }
  }

  async #sweep(): Promise<void> {
    const { sweepMs, keptMinutes, asideDays } = this.#times
    if (Date.now() - this.#sweptAt < sweepMs) return
    await removeSpentWork(keptMinutes, asideDays)
    this.#sweptAt = Date.now()
  }

  async #take(lane: 'compute' | 'print', due: ReadonlySet<string>): Promise<void> {
    const names = [...due].filter((name) => isTask(name) && tasks[name].lane === lane)
    const busy = [...this.#running.values()].filter((one) => one.lane === lane).length
    const most = this.#atOnce[lane] - busy
    if (names.length === 0 || most <= 0) return
    // By the time it is known what was taken, one of these may have ended: the answers come in either order.
    const running = new Set(this.#running.keys())
    const taken = await transaction('take work', (runner) =>
      takeWork(this.#id, names, { seconds: this.#times.heldSeconds, most }, runner),
    )
    for (const work of taken) {
      // Its hold had run out while this very worker was at it: it is held anew.
      if (running.has(work.id)) continue
      const done = this.#do(work)
        .catch((error: unknown) => log.error({ work: work.id, error: messageOf(error) }, 'work lost'))
        .finally(() => {
          this.#running.delete(work.id)
          this.#freed.abort()
        })
      this.#running.set(work.id, { lane, done })
    }
  }

  async #do(work: TakenWork): Promise<void> {
    const { id, task, attempts } = work
    if (!isTask(task)) return
    if (attempts > mostLost) return this.#setAside(work, 'lost')
    const held = new AbortController()
    const progress = { share: null as number | null }
    const beat = setInterval(() => void this.#hold(id, progress.share, held), this.#times.holdMs)
    const signal = AbortSignal.any([held.signal, this.#ending.signal])
    try {
      const { outcome = null, made } = await this.#doers[task]({
        id,
        input: work.input,
        given: work.given,
        signal,
        say: (share) => (progress.share = share),
      })
      await this.#end(id, 'done', { outcome, made: made ? Buffer.from(made) : null })
    } catch (error) {
      await this.#failed(work, task, error, held.signal)
    } finally {
      clearInterval(beat)
    }
  }

  /** Holds work for longer, and gives it up where it is nobody's or another's by now. */
  async #hold(id: string, progress: number | null, held: AbortController): Promise<void> {
    try {
      const isMine = (await holdWork(id, this.#id, this.#times.heldSeconds, progress)) > 0
      if (!isMine) held.abort()
    } catch (error) {
      // Held for a while yet; the next beat tries again.
      log.debug({ work: id, error: messageOf(error) }, 'work not held')
    }
  }

  async #failed(work: TakenWork, task: TaskName, error: unknown, held: AbortSignal): Promise<void> {
    const { id, attempts } = work
    // Unwanted or another's: swept away, or done elsewhere.
    if (held.aborted) {
      await putOffWork(id, this.#id, 0, true)
      return
    }
    if (this.#ending.signal.aborted) {
      await putOffWork(id, this.#id, 0, false)
      return
    }
    const fault = faultOf(error)
    const isChance = fault && tasks[task].isUnhurried && passing.has(fault.code) && attempts < mostFailed
    if (fault && !isChance) {
      await this.#end(id, 'fault', { outcome: fault, made: null })
      return
    }
    log.warn({ work: id, task, attempts, error: messageOf(error) }, 'work failed')
    if (attempts >= mostFailed) await this.#setAside(work, 'failed')
    else await putOffWork(id, this.#id, this.#times.againSeconds * 4 ** (attempts - 1), true)
  }

  async #setAside({ id, task }: TakenWork, reason: 'failed' | 'lost'): Promise<void> {
    log.error({ work: id, task, reason }, 'work set aside')
    await this.#end(id, 'aside', { outcome: { reason }, made: null })
  }

  /** Tells what became of work. What is done is not done again for a database that is away for a moment. */
  async #end(
    id: string,
    state: Parameters<typeof endWork>[2],
    what: Parameters<typeof endWork>[3],
  ): Promise<void> {
    for (let waitMs = this.#times.endingMs; ; waitMs *= 2) {
      try {
        await endWork(id, this.#id, state, what)
        return
      } catch (error) {
        const isAway = error instanceof DatabaseError && (error.kind === 'away' || error.kind === 'again')
        if (!isAway || waitMs > this.#times.endingMs * 16) throw error
        log.debug({ work: id, error: messageOf(error) }, 'end of work not told yet')
        await pause(waitMs)
      }
    }
  }
}

/** What was wrong with what the work was given; null for what may have been chance or is a mistake of ours. */
function faultOf(error: unknown): FaultDetail | null {
  if (error instanceof Fault) return error.toJSON()
  if (error instanceof DatabaseError && error.kind === 'refused')
    return new Fault('refused-by-database').toJSON()
  return null
}
