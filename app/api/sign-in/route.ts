import { NextResponse } from 'next/server'
import { signInSchema } from '@/server/accounts/given'
import { fromOf, signIn } from '@/server/accounts/sign-in'
import { readBody, route } from '@/server/respond'
import { keepSignIn } from '@/server/session'

/** Signs somebody in with mail address, password and, where there is one, the second factor. */
export const POST = route('POST /api/sign-in', async ({ request }) => {
  await keepSignIn(await signIn(await readBody(request, signInSchema), fromOf(request.headers)))
  return NextResponse.json({ ok: true })
})
