import { summarise } from '@/core/pipeline/summary'
import { catalogue } from '@/town/equipment'
import { serverPipeline } from './job-summary'
import { sharedOption } from './shares'
import { inputFor } from './weather'

/**
 * The numbers behind a shared link, run now from what is stored.
 * @throws Fault `no-such-offer`.
 */
export async function sharedRun(token: string) {
  const { teamId, job, option } = await sharedOption(token)
  const summary = summarise(serverPipeline().run(await inputFor(teamId, job.house, option.objects)))
  return { job, option, summary, catalogue }
}
