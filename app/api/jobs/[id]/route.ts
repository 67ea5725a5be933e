import { NextResponse } from 'next/server'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { nameSchema } from '@/core/model/object-base'
import { templateUses } from '@/core/model/job-status'
import { ruleMessage } from '@/core/model/rules'
import { progressSchema } from '@/core/model/progress'
import { transaction } from '@/server/database'
import { loadJob } from '@/server/jobs'
import { readBody, route } from '@/server/respond'
import { changeProgress, setJobArchived, setTemplate } from '@/server/sql/job-progress'
import { renameJob, setJobDeleted } from '@/server/sql/jobs'
import { manyDesigners } from '@/server/sql/people'

/** One of these at a time. */
const patchSchema = z
  .strictObject({
    name: nameSchema.exactOptional(),
    deleted: z.boolean().exactOptional(),
    archived: z.boolean().exactOptional(),
    template: z.enum(templateUses).exactOptional(),
    progress: progressSchema.exactOptional(),
  })
  .refine((patch) => Object.keys(patch).length === 1, ruleMessage('one-field'))
type Patch = z.infer<typeof patchSchema>

/** @returns how many jobs it met: none where the team has no such job */
async function patch(teamId: string, id: string, change: Patch): Promise<number> {
  const { name, deleted, archived, template, progress } = change
  if (name !== undefined) return renameJob(teamId, id, name)
  if (deleted !== undefined) return setJobDeleted(teamId, id, deleted)
  if (archived !== undefined) return setJobArchived(teamId, id, archived)
  if (template !== undefined)
    return transaction('set template', (runner) => setTemplate(teamId, id, template, runner))
  if (
    progress?.ownerId &&
    !(await manyDesigners(teamId)).some((designer) => designer.id === progress.ownerId)
  )
    throw new Fault('no-such-designer', {}, 'progress.ownerId')
  return changeProgress(teamId, id, progress ?? {})
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
