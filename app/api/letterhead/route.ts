import { NextResponse } from 'next/server'
import { fromOf } from '@/server/accounts/sign-in'
import { letterheadSchema, setLetterhead } from '@/server/letterhead'
import { readBody, route } from '@/server/respond'

/** Sets who the team is to its customers. */
export const PUT = route('PUT /api/letterhead', async ({ request, who }) => {
  const { place } = fromOf(request.headers)
  await setLetterhead({ ...who, place }, await readBody(request, letterheadSchema))
  return NextResponse.json({ ok: true })
})
