import { LRUCache } from 'lru-cache'
import { Fault } from '@/core/model/fault'
import { type JobFigures } from './compute/tasks'
import { figuresOf } from './compute/compute'
import { designInput } from './design-input'
import { loadJob } from './jobs'
import { announce } from './live/channel'
import { log } from './log'
import { storeSummary, type JobRow, type JobSummary } from './sql/jobs'

/** Figures of the list, computed one job after the other while the last ones are shown. */

interface Wanted {
  readonly teamId: string
  readonly id: string
  readonly revision: number
}

const holder = globalThis as {
  tallGableSummaries?: { waiting: Map<string, Wanted>; failed: LRUCache<string, string>; busy: boolean }
}
const state = () =>
  (holder.tallGableSummaries ??= {
    waiting: new Map(),
    failed: new LRUCache({ max: 2000 }),
    busy: false,
  })

/** What may be otherwise the next time: asked again then. */
const passing = new Set(['service-away', 'service-refused', 'server-busy', 'given-up', 'unexpected'])

const keyOf = ({ id, revision }: Pick<Wanted, 'id' | 'revision'>) => `${id} ${revision}`

/** What the list shows of a job. */
export interface ListedFigures {
  /** The last that were computed; null where there are none yet. */
  readonly summary: JobSummary | null
  /** `fresh`; `coming` while newer ones are computed; or the code of what stands against it. */
  readonly state: string
}

/** What is known of a job now; newer figures are computed where these are old. */
export function figuresFor(teamId: string, row: JobRow): ListedFigures {
  if (row.summaryIsFresh) return { summary: row.summary, state: 'fresh' }
  const wanted = { teamId, id: row.id, revision: row.revision }
  const fault = state().failed.get(keyOf(wanted))
  if (fault !== undefined) return { summary: row.summary, state: fault }
  state().waiting.set(row.id, wanted)
  void work()
  return { summary: row.summary, state: 'coming' }
}

/** One at a time, so that an offer never waits behind more than one. */
async function work(): Promise<void> {
  const { waiting, failed } = state()
  if (state().busy) return
  state().busy = true
  try {
    for (let next = first(waiting); next; next = first(waiting)) {
      waiting.delete(next.id)
      try {
        const { summary, revision } = await computed(next)
        // Edited meanwhile: these are the last figures, but not the newest there will be.
        const isFresh = (await storeSummary(next.id, revision, summary)) > 0
        const state = isFresh ? 'fresh' : 'coming'
        announce(`team ${next.teamId}`, { type: 'figures', id: next.id, summary, state })
        if (!isFresh) waiting.set(next.id, next)
      } catch (error) {
        const code = error instanceof Fault ? error.code : 'unexpected'
        log.warn({ job: next.id, error: error instanceof Error ? error.message : 'unknown' }, 'no figures')
        if (!passing.has(code)) failed.set(keyOf(next), code)
        announce(`team ${next.teamId}`, { type: 'figures', id: next.id, summary: null, state: code })
      }
    }
  } finally {
    state().busy = false
  }
}

const first = (waiting: Map<string, Wanted>): Wanted | undefined => waiting.values().next().value

/** Figures of a job as it is now, and the revision they are of. */
async function computed({ teamId, id }: Wanted): Promise<{ summary: JobFigures; revision: number }> {
  const { job, row } = await loadJob(teamId, id)
  const option = job.options[0]
  const summary = option
    ? await figuresOf(await designInput(teamId, job.house, option.objects))
    : { kilowatts: 0, paybackYears: null, picture: [] }
  return { summary, revision: row.revision }
}
