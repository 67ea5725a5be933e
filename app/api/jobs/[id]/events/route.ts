import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { eventStream } from '@/server/live/stream'
import { route } from '@/server/respond'
import { manyEditsSince } from '@/server/sql/documents'
import { maybeOneJob } from '@/server/sql/jobs'

export const dynamic = 'force-dynamic'

const sinceSchema = z.coerce.number().int().min(0)

/** What others do to a job, from a revision on: edits, its name, its end, comments, and who is there. */
export const GET = route<'GET /api/jobs/[id]/events', { id: string }>(
  'GET /api/jobs/[id]/events',
  async ({ request, params: { id }, who, isStillIn }) => {
    const since = sinceSchema.safeParse(request.nextUrl.searchParams.get('since') ?? '0')
    if (!since.success) throw new Fault('bad-body', { at: 'since', rule: { code: 'whole-number' } }, 'since')
    if (!(await maybeOneJob(who.teamId, id))) throw new Fault('no-such-job')
    const begin = async () => {
      const row = await maybeOneJob(who.teamId, id)
      if (!row) return []
      const edits = await manyEditsSince(id, since.data)
      const revision = edits.at(-1)?.revision ?? row.revision
      return [
        { type: 'job', name: row.name, deleted: row.deleted },
        { type: 'comments', open: row.openComments },
        { type: 'edits', after: since.data, edits, revision },
      ]
    }
    return eventStream(request.signal, `job ${id}`, begin, isStillIn)
  },
)
