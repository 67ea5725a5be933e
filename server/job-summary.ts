import { roofPicture } from '@/core/drawing/roof-picture'
import { type Job } from '@/core/model/job'
import { Pipeline } from '@/core/pipeline/pipeline'
import { loadJob } from './jobs'
import { inputFor } from './weather'
import { storeSummary, type JobRow, type JobSummary } from './sql/jobs'

const holder = globalThis as { tallGablePipeline?: Pipeline }

/** The server's own pipeline; it remembers results as the browser's does. */
export const serverPipeline = () => (holder.tallGablePipeline ??= new Pipeline())

export async function summaryOf(teamId: string, job: Job): Promise<JobSummary> {
  const option = job.options[0]
  if (!option) return { kilowatts: 0, paybackYears: null, picture: [] }
  const result = serverPipeline().run(await inputFor(teamId, job.house, option.objects))
  return {
    kilowatts: result.powerW / 1000,
    paybackYears: result.count > 0 ? result.money.paybackYears : null,
    picture: roofPicture(
      job.house,
      result.roofs,
      result.laid.arrays.flatMap((array) => array.panels),
    ),
  }
}

/** The stored summary, or a new one when the job has changed since. */
export async function freshSummary(teamId: string, row: JobRow): Promise<JobSummary> {
  if (row.summary) return row.summary
  const { job } = await loadJob(teamId, row.id)
  const summary = await summaryOf(teamId, job)
  await storeSummary(row.id, row.revision, summary)
  return summary
}
