import { NextResponse } from 'next/server'
import { readBytes, route } from '@/server/respond'
import { importJob } from '@/server/weather'

/** Its own weather by the quarter hour has some 8 MB; pictures and drawings come with it. */
const largestBytes = 48_000_000

/** A job's own JSON becomes a new job; a bad file changes nothing. */
export const POST = route('POST /api/jobs/import', async ({ request, who }) => {
  const id = await importJob(who.teamId, await readBytes(request, largestBytes), request.signal)
  return NextResponse.json({ id }, { status: 201 })
})
