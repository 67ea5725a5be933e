import { join } from 'node:path'
import Piscina from 'piscina'
import { Fault, type FaultDetail } from '@/core/model/fault'
import { log } from '../log'
import { taskSeconds, tasksWaiting } from '../metrics'

/** What a task gives back across threads: an answer, or what was wrong with what it was given. */
export type Outcome<T> = { readonly value: T } | { readonly fault: FaultDetail }

/** A task as the thread runs it: faults come back as data, since errors lose their kind on the way. */
export const answering =
  <I, T>(work: (input: I) => T | Promise<T>) =>
  async (input: I): Promise<Outcome<T>> => {
    try {
      return { value: await work(input) }
    } catch (error) {
      if (error instanceof Fault) return { fault: error.toJSON() }
      throw error
    }
  }

interface Bounds {
  /** Longest that a task may take once it was given, its wait included. */
  readonly ms: number
  /** Gives the task up: whoever asked is gone. */
  readonly signal?: AbortSignal | undefined
}

interface LaneOptions {
  readonly name: string
  /** The bundle with the tasks, in `dist`. */
  readonly file: string
  readonly threads: number
  /** Tasks that may wait; one more is told to come back later. */
  readonly mostWaiting: number
  readonly memoryMb: number
}

/** Threads of their own for one sort of work, so that a request never computes on the event loop. */
export class Lane {
  readonly #name: string
  readonly #pool: Piscina
  readonly #most: number
  /** One for each task that runs or waits: ends what waits when the last thread has ended with no task on it. */
  readonly #open = new Set<AbortController>()

  constructor({ name, file, threads, mostWaiting, memoryMb }: LaneOptions) {
    this.#name = name
    this.#most = threads + mostWaiting
    this.#pool = new Piscina({
      filename: join(/* turbopackIgnore: true */ process.cwd(), 'dist', file),
      // One is there from the first task on and comes again when it ends: whatever waits behind a task that took its
      // thread down is served, and not left to wait for another call.
      minThreads: 1,
      maxThreads: threads,
      idleTimeout: 600_000,
      // A thread that waits asleep would not hear that the world has closed a connection, and trust it later.
      atomics: 'disabled',
      resourceLimits: { maxOldGenerationSizeMb: memoryMb },
    })
    // A thread may end with nobody's task on it, out of memory while it loads or after its task was given up: that is
    // no reason for the server to end.
    this.#pool.on('error', (error: unknown) => {
      log.warn({ lane: name, error: error instanceof Error ? error.message : 'unknown' }, 'thread ended')
      if (this.#pool.threads.length > 0) return
      // Nothing would come for those who wait.
      for (const task of this.#open) task.abort()
    })
  }

  /**
   * Runs a task of the bundle.
   * @throws Fault what the task found wrong; `too-heavy` when it runs over its time or memory, `server-busy` when too
   * many wait, `given-up` when nobody waits for it any more
   */
  async run<T>(task: string, input: unknown, { ms, signal }: Bounds): Promise<T> {
    const begin = performance.now()
    const ended = (outcome: string) => {
      taskSeconds.observe({ task, outcome }, (performance.now() - begin) / 1000)
      tasksWaiting.set({ lane: this.#name }, this.#pool.queueSize)
    }
    if (this.#open.size >= this.#most) throw new Fault('server-busy')
    const timeout = AbortSignal.timeout(ms)
    const lost = new AbortController()
    this.#open.add(lost)
    tasksWaiting.set({ lane: this.#name }, this.#pool.queueSize)
    let outcome: Outcome<T>
    try {
      outcome = (await this.#pool.run(input, {
        name: task,
        signal: AbortSignal.any([timeout, lost.signal, ...(signal ? [signal] : [])]),
      })) as Outcome<T>
    } catch (error) {
      const fault = faultOfEnd(error, { timeout, lost: lost.signal, signal })
      ended(fault?.code ?? 'broken')
      log.warn(
        { task, error: error instanceof Error ? error.message : 'unknown', code: fault?.code },
        'task ended',
      )
      throw fault ?? error
    } finally {
      this.#open.delete(lost)
    }
    if ('value' in outcome) {
      ended('done')
      return outcome.value
    }
    ended('fault')
    throw new Fault(outcome.fault.code, outcome.fault.data, outcome.fault.path)
  }

  close(): Promise<void> {
    return this.#pool.destroy()
  }
}

/** Why a thread gave no answer; null for a mistake of ours. */
function faultOfEnd(
  error: unknown,
  { timeout, lost, signal }: { timeout: AbortSignal; lost: AbortSignal; signal: AbortSignal | undefined },
): Fault | null {
  if (signal?.aborted) return new Fault('given-up')
  if (timeout.aborted) return new Fault('too-heavy', { reason: 'time' })
  if (lost.aborted) return new Fault('too-heavy', { reason: 'memory' })
  const code = typeof error === 'object' && error !== null && 'code' in error ? error.code : null
  if (code === 'ERR_WORKER_OUT_OF_MEMORY') return new Fault('too-heavy', { reason: 'memory' })
  return null
}
