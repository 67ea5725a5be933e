import { NextResponse } from 'next/server'
import { newPasswordSchema } from '@/server/accounts/given'
import { openLinkWith } from '@/server/job-links'
import { readBody, route } from '@/server/respond'
import { keepGuest } from '@/server/session'

/** Opens a link with its password. */
export const POST = route<'POST /link/[token]/open', { token: string }>(
  'POST /link/[token]/open',
  async ({ request, params: { token } }) => {
    const { password } = await readBody(request, newPasswordSchema)
    await keepGuest((await openLinkWith(token, password)).id)
    return NextResponse.json({ ok: true })
  },
)
