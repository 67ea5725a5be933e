import { NextResponse } from 'next/server'
import { monitoredSchema } from '@/core/exports/monitoring'
import { digest } from '@/core/model/digest'
import { readBody, route } from '@/server/respond'

/** Stands in for a monitoring service: takes a system and says what it is called there; nothing of it is kept. */
export const POST = route('POST /world/monitoring', async ({ request }) => {
  const system = await readBody(request, monitoredSchema)
  return NextResponse.json({ id: digest(system).slice(0, 16) }, { status: 201 })
})
