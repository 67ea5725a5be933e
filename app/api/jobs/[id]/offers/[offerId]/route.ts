import { NextResponse } from 'next/server'
import { z } from 'zod'
import { withdrawOffer } from '@/server/offers'
import { readBody, route } from '@/server/respond'

const bodySchema = z.strictObject({ withdrawn: z.boolean() })

/** Withdraws an offer, or sends it out again under its link. */
export const PATCH = route<'PATCH /api/jobs/[id]/offers/[offerId]', { id: string; offerId: string }>(
  'PATCH /api/jobs/[id]/offers/[offerId]',
  async ({ request, params, who }) => {
    const { withdrawn } = await readBody(request, bodySchema)
    await withdrawOffer(who.teamId, params.id, params.offerId, withdrawn)
    return NextResponse.json({ ok: true })
  },
)
