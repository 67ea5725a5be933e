import { NextResponse } from 'next/server'
import { z } from 'zod'
import { idSchema } from '@/core/model/object-base'
import { offersOf } from '@/server/offers'
import { readBody, route } from '@/server/respond'
import { unseal } from '@/server/seal'
import { askWork } from '@/server/work/ask'

const bodySchema = z.strictObject({ optionId: idSchema })

/** The offers that were sent of a job. */
export const GET = route<'GET /api/jobs/[id]/offers', { id: string }>(
  'GET /api/jobs/[id]/offers',
  async ({ params, who }) => NextResponse.json({ offers: await offersOf(who.teamId, params.id) }),
)

/** Computes an option's proposal, keeps it as it is, and answers its link. */
export const POST = route<'POST /api/jobs/[id]/offers', { id: string }>(
  'POST /api/jobs/[id]/offers',
  async ({ request, params, who }) => {
    const { optionId } = await readBody(request, bodySchema)
    const { outcome } = await askWork('offer', {
      teamId: who.teamId,
      input: { teamId: who.teamId, designerId: who.id, jobId: params.id, optionId },
      signal: request.signal,
    })
    const path = await unseal(outcome.sealedPath)
    if (path === null) throw new Error('the worker seals with another key than the application')
    return NextResponse.json({ path }, { status: 201 })
  },
)
