import { log } from '@/server/log'
import { registry, work } from '@/server/metrics'
import { route } from '@/server/respond'
import { countWork } from '@/server/sql/work-taking'

export const dynamic = 'force-dynamic'

/** What this process counts, and what long work there is for all, in Prometheus' text form. */
export const GET = route('GET /metrics', async () => {
  try {
    const { waiting, running, aside } = await countWork()
    for (const [state, count] of Object.entries({ waiting, running, aside })) work.set({ state }, count)
  } catch (error) {
    // Whoever watches is told all the more of a database that is away.
    work.reset()
    log.debug({ error: error instanceof Error ? error.message : 'unknown' }, 'work not counted')
  }
  return new Response(await registry.metrics(), { headers: { 'Content-Type': registry.contentType } })
})
