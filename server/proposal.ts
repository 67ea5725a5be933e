import { summarise } from '@/core/readers/summary'
import { serverGraph } from './chain'
import { sharedOption } from './shares'
import { worldFor } from './weather'

/**
 * The numbers behind a shared link, run now from what is stored.
 * @throws Fault `no-such-offer`.
 */
export async function sharedRun(token: string) {
  const { teamId, job, option } = await sharedOption(token)
  const world = await worldFor(teamId, job.house, option.objects)
  const run = serverGraph().open(world)
  return { job, option, world, run, summary: summarise(run, world) }
}
