import { NextResponse } from 'next/server'
import { letterheadSchema, setLetterhead } from '@/server/letterhead'
import { readBody, route } from '@/server/respond'

/** Sets who the team is to its customers. */
export const PUT = route('PUT /api/letterhead', async ({ request, who }) => {
  await setLetterhead(who.teamId, await readBody(request, letterheadSchema))
  return NextResponse.json({ ok: true })
})
