import { NextResponse } from 'next/server'
import { endSignInsSchema } from '@/server/accounts/given'
import { endSignIns } from '@/server/accounts/own-account'
import { fromOf } from '@/server/accounts/sign-in'
import { readBody, route } from '@/server/respond'
import { signInOf } from '@/server/session'

/** Ends one of one's own sign-ins, or all the others. */
export const DELETE = route('DELETE /api/account/sign-ins', async ({ request, who }) => {
  const { id } = await readBody(request, endSignInsSchema)
  await endSignIns({ who, place: fromOf(request.headers).place }, id, await signInOf(request.cookies))
  return NextResponse.json({ ok: true })
})
