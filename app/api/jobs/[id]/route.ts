import { NextResponse } from 'next/server'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { nameSchema } from '@/core/model/object-base'
import { templateUses } from '@/core/model/job-status'
import { progressSchema } from '@/core/model/progress'
import { transaction } from '@/server/database'
import { loadJob } from '@/server/jobs'
import { readBody, route } from '@/server/respond'
import { changeProgress, setJobArchived, setTemplate } from '@/server/sql/job-progress'
import { renameJob, setJobDeleted } from '@/server/sql/jobs'
import { manyDesigners } from '@/server/sql/people'

/** One of these at a time. */
const patchSchema = z.union([
  z.strictObject({ name: nameSchema }),
  z.strictObject({ deleted: z.boolean() }),
  z.strictObject({ archived: z.boolean() }),
  z.strictObject({ template: z.enum(templateUses) }),
  z.strictObject({ progress: progressSchema }),
])
type Patch = z.infer<typeof patchSchema>

/** @returns how many jobs it met: none where the team has no such job */
async function patch(teamId: string, id: string, body: Patch): Promise<number> {
  if ('name' in body) return renameJob(teamId, id, body.name)
  if ('deleted' in body) return setJobDeleted(teamId, id, body.deleted)
  if ('archived' in body) return setJobArchived(teamId, id, body.archived)
  if ('template' in body)
    return transaction('set template', (runner) => setTemplate(teamId, id, body.template, runner))
  const { ownerId } = body.progress
  if (ownerId && !(await manyDesigners(teamId)).some((designer) => designer.id === ownerId))
    throw new Fault('no-such-designer', {}, 'progress.ownerId')
  return changeProgress(teamId, id, body.progress)
}

/** The job with its documents. */
export const GET = route<'GET /api/jobs/[id]', { id: string }>(
  'GET /api/jobs/[id]',
  async ({ params, who }) => {
    const { job, row, revisions } = await loadJob(who.teamId, params.id)
    return NextResponse.json({ job, revision: row.revision, revisions })
  },
)

/** Renames, deletes or brings back, puts away, makes it a template, or changes what is noted of it. */
export const PATCH = route<'PATCH /api/jobs/[id]', { id: string }>(
  'PATCH /api/jobs/[id]',
  async ({ request, params: { id }, who }) => {
    if ((await patch(who.teamId, id, await readBody(request, patchSchema))) === 0)
      throw new Fault('no-such-job')
    return NextResponse.json({ ok: true })
  },
)
