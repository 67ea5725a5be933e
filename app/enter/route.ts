import { NextResponse } from 'next/server'
import { z } from 'zod'
import { route } from '@/server/respond'
import { enterAsLocalDesigner } from '@/server/session'

export const dynamic = 'force-dynamic'

/** Signs in the designer of this machine and goes on to the job that was asked for, else to the start page. */
export const GET = route('GET /enter', async ({ request }) => {
  const job = z.uuid().safeParse(request.nextUrl.searchParams.get('job'))
  const Location = job.success ? `/jobs/${job.data}` : '/'
  if (await enterAsLocalDesigner()) return new NextResponse(null, { status: 303, headers: { Location } })
  return new NextResponse(
    'This server asks for a sign-in that is not set up here. Open it under its loopback address.',
    { status: 403 },
  )
})
