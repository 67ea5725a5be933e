import { notFound } from 'next/navigation'
import { type Metadata } from 'next'
import { Bench } from '@/bench/bench'
import { Fault } from '@/core/model/fault'
import { type GuestRole, type Role } from '@/core/model/roles'
import { loadJob } from '@/server/jobs'
import { contractorOf } from '@/server/letterhead'
import { openJobPage } from '@/server/open-page'
import { maybeLastLines } from '@/server/sql/last-lines'
import { surroundings } from '@/server/world'

/** A guest who looks on is as a reader, one who edits as a designer. */
const benchRole = (role: Role | GuestRole): Role =>
  role === 'viewer' ? 'reader' : role === 'editor' ? 'designer' : role

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Bench · Tall Gable' }

export default async function BenchPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params
  const who = await openJobPage('GET /jobs/[id]', id)
  const stored = await loadJob(who.teamId, id).catch((error: unknown) => {
    if (error instanceof Fault && error.code === 'no-such-job') notFound()
    throw error
  })
  return (
    <Bench
      jobId={id}
      job={stored.job}
      revision={stored.row.revision}
      lastLines={await maybeLastLines(id)}
      comments={who.role === 'viewer' ? 0 : stored.row.openComments}
      catalogue={await surroundings().catalogue()}
      role={benchRole(who.role)}
      contractor={await contractorOf(who.teamId)}
    />
  )
}
