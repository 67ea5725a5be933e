import { notFound, redirect } from 'next/navigation'
import { type Metadata } from 'next'
import { Bench } from '@/bench/bench'
import { Fault } from '@/core/model/fault'
import { loadJob } from '@/server/jobs'
import { openPage } from '@/server/open-page'
import { surroundings } from '@/server/world'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Bench · Tall Gable' }

export default async function BenchPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const who = await openPage('GET /jobs/[id]')
  const { id } = await params
  if (!who) redirect(`/enter?job=${encodeURIComponent(id)}`)
  const stored = await loadJob(who.teamId, id).catch((error: unknown) => {
    if (error instanceof Fault && error.code === 'no-such-job') notFound()
    throw error
  })
  return (
    <Bench
      jobId={id}
      job={stored.job}
      revision={stored.row.revision}
      comments={stored.row.openComments}
      catalogue={await surroundings().catalogue()}
    />
  )
}
