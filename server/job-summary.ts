import { roofPicture } from '@/core/drawing/roof-picture'
import { type Job } from '@/core/kinds/job'
import { financeStage, powerStage } from '@/core/stages/finance'
import { siteStage } from '@/core/stages/site'
import { serverGraph } from './chain'
import { loadJob } from './jobs'
import { storeSummary, type JobRow, type JobSummary } from './sql/jobs'
import { worldFor } from './weather'

export async function summaryOf(teamId: string, job: Job): Promise<JobSummary> {
  const option = job.options[0]
  if (!option) return { kilowatts: 0, paybackYears: null, picture: [] }
  const run = serverGraph().open(await worldFor(teamId, job.house, option.objects))
  const { count, powerW } = run.value(powerStage)
  return {
    kilowatts: powerW / 1000,
    paybackYears: count > 0 ? run.value(financeStage).paybackYears : null,
    picture: roofPicture(run.value(siteStage)),
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
