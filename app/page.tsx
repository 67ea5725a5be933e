import { redirect } from 'next/navigation'
import { JobList } from '@/bench/jobs/job-list'
import { openPage } from '@/server/open-page'
import { manyJobs } from '@/server/sql/jobs'
import { figuresFor } from '@/server/summaries'

export const dynamic = 'force-dynamic'

export default async function StartPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ q?: string | string[] }>
}) {
  const who = await openPage('GET /')
  if (!who) redirect('/enter')
  const { q } = await searchParams
  const search = (typeof q === 'string' ? q : '').slice(0, 100)
  const rows = await manyJobs(who.teamId, search)
  const jobs = rows.map((row) => ({
    id: row.id,
    name: row.name,
    address: row.address,
    touchedAt: row.touchedAt.toISOString(),
    figures: figuresFor(who.teamId, row),
  }))
  return <JobList jobs={jobs} search={search} who={who.name} />
}
