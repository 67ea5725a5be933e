import { NextResponse } from 'next/server'
import { fromOf } from '@/server/accounts/sign-in'
import { linksOf, withdrawLink } from '@/server/job-links'
import { route } from '@/server/respond'

/** Withdraws a link: whoever came by it is out at once. */
export const DELETE = route<'DELETE /api/jobs/[id]/links/[linkId]', { id: string; linkId: string }>(
  'DELETE /api/jobs/[id]/links/[linkId]',
  async ({ request, params: { id, linkId }, who }) => {
    await withdrawLink(who, id, linkId, fromOf(request.headers).place)
    return NextResponse.json({ links: await linksOf(who, id) })
  },
)
