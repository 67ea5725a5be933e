import { NextResponse } from 'next/server'
import { openLinkWith } from '@/server/job-links'
import { route } from '@/server/respond'
import { keepGuest } from '@/server/session'

export const dynamic = 'force-dynamic'

/** Opens a link that has no password, and goes on to its job. */
export const GET = route<'GET /link/[token]/enter', { token: string }>(
  'GET /link/[token]/enter',
  async ({ params: { token } }) => {
    const link = await openLinkWith(token, '')
    await keepGuest(link.id)
    return new NextResponse(null, { status: 303, headers: { Location: `/jobs/${link.jobId}` } })
  },
)
