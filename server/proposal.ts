import { summarise } from '@/core/pipeline/summary'
import { catalogue } from '@/town/equipment'
import { worldInput } from '@/town/world-input'
import { serverPipeline } from './job-summary'
import { sharedOption } from './shares'

/**
 * The numbers behind a shared link, run now from what is stored.
 * @throws Fault `no-such-offer`.
 */
export async function sharedRun(token: string) {
  const { job, option } = await sharedOption(token)
  const summary = summarise(serverPipeline().run(worldInput(job.house, option.objects)))
  return { job, option, summary, catalogue }
}
