import { NextResponse } from 'next/server'
import { newPasswordSchema } from '@/server/accounts/given'
import { setPasswordByLink } from '@/server/accounts/links'
import { fromOf } from '@/server/accounts/sign-in'
import { readBody, route } from '@/server/respond'

/** Sets a new password by a mailed link. */
export const POST = route<'POST /password/[token]/set', { token: string }>(
  'POST /password/[token]/set',
  async ({ request, params: { token } }) => {
    const { password } = await readBody(request, newPasswordSchema)
    await setPasswordByLink(token, password, fromOf(request.headers).place)
    return NextResponse.json({ ok: true })
  },
)
