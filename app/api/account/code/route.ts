import { NextResponse } from 'next/server'
import { codeOnSchema, newPasswordSchema } from '@/server/accounts/given'
import { turnCodeOff, turnCodeOn } from '@/server/accounts/own-account'
import { fromOf } from '@/server/accounts/sign-in'
import { readBody, route } from '@/server/respond'

/** Turns the second factor on, or on with another key. */
export const PUT = route('PUT /api/account/code', async ({ request, who }) => {
  const given = await readBody(request, codeOnSchema)
  const spareCodes = await turnCodeOn({ who, place: fromOf(request.headers).place }, given)
  return NextResponse.json({ spareCodes })
})

/** Turns it off. */
export const DELETE = route('DELETE /api/account/code', async ({ request, who }) => {
  const { password } = await readBody(request, newPasswordSchema)
  await turnCodeOff({ who, place: fromOf(request.headers).place }, password)
  return NextResponse.json({ ok: true })
})
