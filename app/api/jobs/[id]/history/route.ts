import { NextResponse } from 'next/server'
import { historyOf } from '@/server/history'
import { route } from '@/server/respond'

/** What was done to a job before a place in its log, the newest edit first, and the moments that have a name. */
export const GET = route<'GET /api/jobs/[id]/history', { id: string }>(
  'GET /api/jobs/[id]/history',
  async ({ request, params, who }) =>
    NextResponse.json(await historyOf(who.teamId, params.id, request.nextUrl.searchParams.get('before'))),
)
