import { NextResponse } from 'next/server'
import { z } from 'zod'
import { idSchema } from '@/core/model/object-base'
import { offersOf, sendOffer } from '@/server/offers'
import { readBody, route } from '@/server/respond'

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
    const path = await sendOffer(who, params.id, optionId, request.signal)
    return NextResponse.json({ path }, { status: 201 })
  },
)
