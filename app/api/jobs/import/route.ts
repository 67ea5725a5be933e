import { NextResponse } from 'next/server'
import { readBytes, route } from '@/server/respond'
import { askWork } from '@/server/work/ask'

/** Its own weather by the quarter hour has some 8 MB; pictures and drawings come with it. */
const largestBytes = 48_000_000

/** A job's own JSON becomes a new job; a bad file changes nothing. */
export const POST = route('POST /api/jobs/import', async ({ request, who }) => {
  const { outcome } = await askWork('job', {
    teamId: who.teamId,
    input: { teamId: who.teamId },
    given: await readBytes(request, largestBytes),
    signal: request.signal,
  })
  return NextResponse.json(outcome, { status: 201 })
})
