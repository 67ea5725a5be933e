import { NextResponse } from 'next/server'
import { changePasswordSchema } from '@/server/accounts/given'
import { changePassword } from '@/server/accounts/own-account'
import { fromOf } from '@/server/accounts/sign-in'
import { readBody, route } from '@/server/respond'
import { signInOf } from '@/server/session'

/** Sets another password of one's own. */
export const POST = route('POST /api/account/password', async ({ request, who }) => {
  const given = await readBody(request, changePasswordSchema)
  await changePassword({ who, place: fromOf(request.headers).place }, given, await signInOf(request.cookies))
  return NextResponse.json({ ok: true })
})
