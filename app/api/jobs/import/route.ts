import { NextResponse, type NextRequest } from 'next/server'
import { parseJob } from '@/core/kinds/job'
import { createJob } from '@/server/jobs'
import { asDesigner, readJson } from '@/server/respond'
import { adoptWeather } from '@/server/weather'

/** A job with its own weather by the quarter hour has some 8 MB. */
const largestBytes = 12_000_000

/** A job's own JSON becomes a new job; a bad file changes nothing. */
export const POST = (request: NextRequest) =>
  asDesigner(request, async (who) => {
    const file = await readJson(request, largestBytes)
    const job = await adoptWeather(who.teamId, parseJob(file), file)
    return NextResponse.json({ id: await createJob(who.teamId, job) }, { status: 201 })
  })
