import { NextResponse, type NextRequest } from 'next/server'
import { parseJob } from '@/core/model/job'
import { createJob } from '@/server/jobs'
import { asDesigner, readJson } from '@/server/respond'

/** A job's own JSON becomes a new job; a bad file changes nothing. */
export const POST = (request: NextRequest) =>
  asDesigner(request, async (who) =>
    NextResponse.json(
      { id: await createJob(who.teamId, parseJob(await readJson(request))) },
      { status: 201 },
    ),
  )
