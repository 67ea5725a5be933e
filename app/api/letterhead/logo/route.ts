import { NextResponse } from 'next/server'
import { largestLogo } from '@/core/papers/letterhead'
import { removeLogo, setLogo } from '@/server/letterhead'
import { readBytes, route } from '@/server/respond'

/** Sets the team's logo; what it is, its bytes say. */
export const PUT = route('PUT /api/letterhead/logo', async ({ request, who }) => {
  await setLogo(who.teamId, await readBytes(request, largestLogo.bytes))
  return NextResponse.json({ ok: true })
})

export const DELETE = route('DELETE /api/letterhead/logo', async ({ who }) => {
  await removeLogo(who.teamId)
  return NextResponse.json({ ok: true })
})
