import { NextResponse } from 'next/server'
import { joinSchema } from '@/server/accounts/given'
import { join } from '@/server/accounts/links'
import { fromOf } from '@/server/accounts/sign-in'
import { readBody, route } from '@/server/respond'
import { keepSignIn } from '@/server/session'

/** Takes an invitation and signs its holder in. */
export const POST = route<'POST /invitation/[token]/join', { token: string }>(
  'POST /invitation/[token]/join',
  async ({ request, params: { token } }) => {
    await keepSignIn(await join(token, await readBody(request, joinSchema), fromOf(request.headers)))
    return NextResponse.json({ ok: true }, { status: 201 })
  },
)
