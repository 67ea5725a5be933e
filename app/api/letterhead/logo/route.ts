import { NextResponse } from 'next/server'
import { largestLogo } from '@/core/papers/letterhead'
import { fromOf } from '@/server/accounts/sign-in'
import { removeLogo, setLogo } from '@/server/letterhead'
import { readBytes, route } from '@/server/respond'

/** Sets the team's logo; what it is, its bytes say. */
export const PUT = route('PUT /api/letterhead/logo', async ({ request, who }) => {
  const { place } = fromOf(request.headers)
  await setLogo({ ...who, place }, await readBytes(request, largestLogo.bytes))
  return NextResponse.json({ ok: true })
})

export const DELETE = route('DELETE /api/letterhead/logo', async ({ request, who }) => {
  await removeLogo({ ...who, place: fromOf(request.headers).place })
  return NextResponse.json({ ok: true })
})
