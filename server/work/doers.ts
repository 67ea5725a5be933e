import { Fault } from '@/core/model/fault'
import { figuresOf } from '../compute/compute'
import { designInput } from '../design-input'
import { loadJob } from '../jobs'
import { sendOffer } from '../offers'
import { printer } from '../print/printer'
import { seal, unseal } from '../seal'
import { storeSummary } from '../sql/jobs'
import { importJob, storeWeather } from '../weather'
import { tasks, type InputOf, type OutcomeOf, type TaskName } from './tasks'
import { type Doers, type Doing, type Done } from './worker'

/** How each task is done. */

type Told<T extends TaskName> = Omit<Doing, 'input'> & { readonly input: InputOf<T> }

/** A task with its input read: what an older or a newer build wrote otherwise is refused, and not guessed at. */
const doer =
  <T extends TaskName>(
    task: T,
    work: (told: Told<T>) => Promise<{ readonly outcome: OutcomeOf<T>; readonly made?: Uint8Array }>,
  ) =>
  async (doing: Doing): Promise<Done> =>
    work({ ...doing, input: tasks[task].input.parse(doing.input) })

const bytesOf = (given: Buffer | null): Buffer => {
  if (!given) throw new Error('work about bytes came without any')
  return given
}

/** Times that figures are computed again because the job was edited meanwhile: then its next visitor asks anew. */
const mostRounds = 5

export const doers: Doers = {
  figures: doer('figures', async ({ input: { teamId, jobId }, signal }) => {
    for (let round = 0; round < mostRounds; round++) {
      const { job, row } = await loadJob(teamId, jobId)
      const option = job.options[0]
      const { summary, lines } = option
        ? await figuresOf(await designInput(teamId, job.house, option.objects), signal)
        : { summary: { kilowatts: 0, paybackYears: null, picture: [] }, lines: [] }
      if ((await storeSummary(jobId, row.revision, summary, lines)) > 0) break
    }
    return { outcome: null }
  }),
  offer: doer('offer', async ({ id, input: { teamId, designerId, jobId, optionId }, signal }) => {
    const path = await sendOffer({ id: designerId, teamId }, jobId, optionId, signal, id)
    return { outcome: { sealedPath: await seal(path) } }
  }),
  pdf: doer('pdf', async ({ input, signal, say }) => {
    const token = await unseal(input.sealedToken)
    // Sealed with another key, by a server that is no more.
    if (token === null) throw new Fault('no-such-offer')
    return { outcome: null, made: await printer().print(`/offer/${token}?print=1`, signal, say) }
  }),
  job: doer('job', async ({ id, input: { teamId }, given, signal, say }) => ({
    outcome: { id: await importJob(teamId, bytesOf(given), signal, id, say) },
  })),
  weather: doer('weather', async ({ input: { teamId }, given, signal }) => {
    const { id, name, latitudeDeg, longitudeDeg, elevationM } = await storeWeather(
      teamId,
      bytesOf(given),
      signal,
    )
    return { outcome: { id, name, latitudeDeg, longitudeDeg, elevationM } }
  }),
}
