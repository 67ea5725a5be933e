import { redirect } from 'next/navigation'
import { JobList } from '@/bench/jobs/job-list'
import { freshSummary } from '@/server/job-summary'
import { log } from '@/server/log'
import { designer } from '@/server/session'
import { manyJobs } from '@/server/sql/jobs'

export const dynamic = 'force-dynamic'

export default async function StartPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ q?: string | string[] }>
}) {
  const who = await designer()
  if (!who) redirect('/enter')
  const { q } = await searchParams
  const search = (typeof q === 'string' ? q : '').slice(0, 100)
  const rows = await manyJobs(who.teamId, search)
  const jobs = await Promise.all(
    rows.map(async (row) => ({
      id: row.id,
      name: row.name,
      address: row.address,
      touchedAt: row.touchedAt.toISOString(),
      // A job that can't be run still has its place in the list.
      summary: await freshSummary(who.teamId, row).catch((error: unknown) => {
        log.warn({ job: row.id, error: error instanceof Error ? error.message : 'unknown' }, 'no summary')
        return null
      }),
    })),
  )
  return <JobList jobs={jobs} search={search} who={who.name} />
}
