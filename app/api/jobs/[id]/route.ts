import { NextResponse } from 'next/server'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { nameSchema } from '@/core/model/object-base'
import { loadJob } from '@/server/jobs'
import { readBody, route } from '@/server/respond'
import { renameJob, setJobDeleted } from '@/server/sql/jobs'

const patchSchema = z.union([z.strictObject({ name: nameSchema }), z.strictObject({ deleted: z.boolean() })])

/** The job with its documents. */
export const GET = route<'GET /api/jobs/[id]', { id: string }>(
  'GET /api/jobs/[id]',
  async ({ params, who }) => {
    const { job, row, revisions } = await loadJob(who.teamId, params.id)
    return NextResponse.json({ job, revision: row.revision, revisions })
  },
)

/** Renames, deletes or brings back. */
export const PATCH = route<'PATCH /api/jobs/[id]', { id: string }>(
  'PATCH /api/jobs/[id]',
  async ({ request, params: { id }, who }) => {
    const body = await readBody(request, patchSchema)
    const met =
      'name' in body
        ? await renameJob(who.teamId, id, body.name)
        : await setJobDeleted(who.teamId, id, body.deleted)
    if (met === 0) throw new Fault('no-such-job')
    return NextResponse.json({ ok: true })
  },
)
