import { randomUUID } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import { Fault } from '@/core/model/fault'
import { transaction } from '../database'
import { log } from '../log'
import {
  countOpenWork,
  insertWork,
  leaveWork,
  maybeOneWork,
  removeEndedWork,
  wantWork,
  type NewWork,
} from '../sql/work'
import { taskSeconds } from '../metrics'
import { DatabaseError } from '../sql-errors'
import { faultSchema, tasks, type InputOf, type OutcomeOf, type TaskName } from './tasks'

/** Long work asked for by a request, which waits for it: done by whichever worker takes it, on whichever machine. */

/** Seconds for which it is wanted after the last word that it is; and how often that is said. */
const wantedSeconds = 20
const sayMs = 1500
/** Seconds left to others who want the same, after one of them has gone. */
const leftSeconds = 3
/** Rests between two looks whether it has ended, the first and the longest. */
const firstRestMs = 30
const longestRestMs = 200
/** How long the database may be away meanwhile. */
const patienceMs = 10_000

interface Asked<T extends TaskName> {
  readonly teamId: string
  readonly input: InputOf<T>
  /** The bytes it is about. */
  readonly given?: Uint8Array
  /** What is the same for all who want this very work: then it is done once for all of them, and kept for a while. */
  readonly same?: string
  /** Gives it up: whoever asked is gone. */
  readonly signal?: AbortSignal
}

export interface Answered<T extends TaskName> {
  readonly outcome: OutcomeOf<T>
  /** The bytes that came of it, where it makes any. */
  readonly made: Buffer | null
}

/**
 * Has work done and waits for it.
 * @throws Fault what the work found wrong; the task's `busy` where too much of it waits, `server-busy` where nobody took
 * it in time, `too-heavy` where it was not done in time, `given-up` where the signal says so
 * @throws Error where it was set aside
 */
export async function askWork<T extends TaskName>(task: T, asked: Asked<T>): Promise<Answered<T>> {
  const begin = performance.now()
  const ended = (outcome: string) =>
    taskSeconds.observe({ task, outcome }, (performance.now() - begin) / 1000)
  try {
    const answer = await waited(task, asked, begin)
    ended('done')
    return answer
  } catch (error) {
    ended(error instanceof Fault ? error.code : 'broken')
    throw error
  }
}

/** A row of the table for a task, as it is told; exported for those who want work that nobody waits for. */
export const newWork = <T extends TaskName>(
  task: T,
  { teamId, input, given, same }: Omit<Asked<T>, 'signal'>,
  wanted: number | null,
): NewWork => ({
  id: randomUUID(),
  task,
  teamId,
  same: same ?? null,
  urgency: tasks[task].urgency,
  input: JSON.stringify(tasks[task].input.parse(input)),
  given: given ? Buffer.from(given.buffer, given.byteOffset, given.byteLength) : null,
  wantedSeconds: wanted,
})

async function waited<T extends TaskName>(task: T, asked: Asked<T>, begin: number): Promise<Answered<T>> {
  const { most, busy, waitMs } = tasks[task]
  const work = newWork(task, asked, wantedSeconds)
  if ((await countOpenWork(task)) >= most) throw new Fault(busy)
  const id = await transaction('ask for work', (runner) => insertWork(work, runner))
  let saidAt = performance.now()
  let rest = firstRestMs
  let attempts = 0
  let heardAt = performance.now()
  while (!asked.signal?.aborted) {
    try {
      const seen = await maybeOneWork(id)
      // Wanted by nobody for a while: this process stood still.
      if (!seen) throw new Fault('server-busy')
      if (seen.state !== 'open') {
        if (work.same === null && seen.state !== 'aside') await forget(id)
        return answerOf(task, id, seen)
      }
      attempts = seen.attempts
      heardAt = performance.now()
      if (heardAt - saidAt > sayMs) {
        await wantWork(id, wantedSeconds)
        saidAt = heardAt
      }
    } catch (error) {
      // What was asked for is done all the same: whoever is told otherwise asks for it twice.
      const isPassing = error instanceof DatabaseError && error.kind !== 'broken'
      if (!isPassing || performance.now() - heardAt > patienceMs) throw error
    }
    if (performance.now() - begin > waitMs) break
    await pause(rest)
    rest = Math.min(longestRestMs, rest * 1.4)
  }
  await leaveWork(id, leftSeconds)
  if (asked.signal?.aborted) throw new Fault('given-up')
  throw attempts === 0 ? new Fault('server-busy') : new Fault('too-heavy', { reason: 'time' })
}

/** Its end is known: it is swept away later where it can't be now. */
const forget = (id: string) =>
  removeEndedWork(id).catch((error: unknown) =>
    log.debug({ work: id, error: error instanceof Error ? error.message : 'unknown' }, 'ended work stays'),
  )

type Seen = NonNullable<Awaited<ReturnType<typeof maybeOneWork>>>

function answerOf<T extends TaskName>(task: T, id: string, { state, outcome, made }: Seen): Answered<T> {
  if (state === 'fault') {
    const { code, data, path } = faultSchema.parse(outcome)
    throw new Fault(code, data, path)
  }
  if (state === 'aside') throw new Error(`work ${id} was set aside`)
  return { outcome: tasks[task].outcome.parse(outcome), made }
}
