import { NextResponse, type NextRequest } from 'next/server'
import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { nameSchema } from '@/core/model/object-base'
import { loadJob } from '@/server/jobs'
import { asDesigner, readBody } from '@/server/respond'
import { renameJob, setJobDeleted } from '@/server/sql/jobs'

interface Context {
  readonly params: Promise<{ id: string }>
}

const patchSchema = z.union([z.strictObject({ name: nameSchema }), z.strictObject({ deleted: z.boolean() })])

/** The job with its documents. */
export const GET = (request: NextRequest, { params }: Context) =>
  asDesigner(request, async (who) => {
    const { job, revisions } = await loadJob(who.teamId, (await params).id)
    return NextResponse.json({ job, revisions })
  })

/** Renames, deletes or brings back. */
export const PATCH = (request: NextRequest, { params }: Context) =>
  asDesigner(request, async (who) => {
    const { id } = await params
    const body = await readBody(request, patchSchema)
    const met =
      'name' in body
        ? await renameJob(who.teamId, id, body.name)
        : await setJobDeleted(who.teamId, id, body.deleted)
    if (met === 0) throw new Fault('no-such-job')
    return NextResponse.json({ ok: true })
  })
