import { NextResponse } from 'next/server'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { route } from '@/server/respond'
import { manyEditsSince } from '@/server/sql/documents'
import { maybeOneJob } from '@/server/sql/jobs'

const sinceSchema = z.coerce.number().int().min(0)

/** Everything that was done to a job after one of its revisions. */
export const GET = route<'GET /api/jobs/[id]/edits', { id: string }>(
  'GET /api/jobs/[id]/edits',
  async ({ request, params: { id }, who }) => {
    const since = sinceSchema.safeParse(request.nextUrl.searchParams.get('since') ?? '0')
    if (!since.success) throw new Fault('bad-body', { at: 'since', rule: { code: 'whole-number' } }, 'since')
    const row = await maybeOneJob(who.teamId, id)
    if (!row || row.deleted) throw new Fault('no-such-job')
    const edits = await manyEditsSince(id, since.data)
    // The row was read first: what came in since is told the next time.
    const revision = edits.at(-1)?.revision ?? row.revision
    return NextResponse.json({ after: since.data, edits, revision })
  },
)
