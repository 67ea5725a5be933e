import { setTimeout as pause } from 'node:timers/promises'
import { NextResponse } from 'next/server'
import { forgottenSchema } from '@/server/accounts/given'
import { mailPasswordLink } from '@/server/accounts/links'
import { fromOf } from '@/server/accounts/sign-in'
import { readBody, route } from '@/server/respond'

/** Every answer takes at least so long, so that nobody learns by the clock who has an account. */
const leastMs = 400

/** Mails a link for a new password to whoever has an account under an address; the answer is the same either way. */
export const POST = route('POST /api/forgotten', async ({ request }) => {
  const { mail } = await readBody(request, forgottenSchema)
  await Promise.all([mailPasswordLink(mail, fromOf(request.headers).place), pause(leastMs)])
  return NextResponse.json({ ok: true })
})
