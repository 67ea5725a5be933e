import { maybeOneJob } from '../sql/jobs'
import { manyNewFigures } from '../sql/live'
import { type LiveEvent } from './channel'

/** Figures of jobs that were computed after a moment and still hold, as their lists hear of them. */
export async function figuresSince(teamIds: readonly string[], after: Date) {
  const found: { readonly teamId: string; readonly at: Date; readonly event: LiveEvent | null }[] = []
  for (const { id, teamId, at } of await manyNewFigures(teamIds, after)) {
    const row = await maybeOneJob(teamId, id)
    const event = row?.summaryIsFresh ? { type: 'figures', id, summary: row.summary, state: 'fresh' } : null
    found.push({ teamId, at, event })
  }
  return found
}

/** Longest that a page may take from being made to listening. */
const pageMs = 120_000

/** What a list that begins to listen may have missed: it was made before, and computing went on meanwhile. */
export const missedFigures = async (teamId: string): Promise<LiveEvent[]> =>
  (await figuresSince([teamId], new Date(Date.now() - pageMs))).flatMap(({ event }) => event ?? [])
