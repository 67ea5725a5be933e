import { maybeOneJob } from '../sql/jobs'
import { manyNewFigures } from '../sql/live'
import { manyFailedWork } from '../sql/work'
import { figuresKey } from '../summaries'
import { codeOfEnd } from '../work/tasks'
import { type LiveEvent } from './channel'

/** What a list hears of a job's figures, and when they were computed; no event where they hold no more. */
interface Told {
  readonly teamId: string
  readonly at: Date
  readonly event: LiveEvent | null
}

/** Figures of jobs that were computed after a moment and still hold, and why there are none, as their lists hear of them. */
export async function figuresSince(teamIds: readonly string[], after: Date): Promise<Told[]> {
  const found: Told[] = []
  for (const { id, teamId, at } of await manyNewFigures(teamIds, after)) {
    const row = await maybeOneJob(teamId, id)
    const event = row?.summaryIsFresh ? { type: 'figures', id, summary: row.summary, state: 'fresh' } : null
    found.push({ teamId, at, event })
  }
  for (const failed of await manyFailedWork('figures', teamIds, after)) {
    const { same, teamId, endedAt } = failed
    const [id = ''] = same.split(' ')
    const row = await maybeOneJob(teamId, id)
    const holds = row && !row.summaryIsFresh && figuresKey(row) === same
    const event = holds ? { type: 'figures', id, summary: null, state: codeOfEnd(failed) } : null
    if (endedAt) found.push({ teamId, at: endedAt, event })
  }
  return found
}

/** Longest that a page may take from being made to listening. */
const pageMs = 120_000

/** What a list that begins to listen may have missed: it was made before, and computing went on meanwhile. */
export const missedFigures = async (teamId: string): Promise<LiveEvent[]> =>
  (await figuresSince([teamId], new Date(Date.now() - pageMs))).flatMap(({ event }) => event ?? [])
