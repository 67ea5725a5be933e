import { NextResponse } from 'next/server'
import { fromOf } from '@/server/accounts/sign-in'
import { route } from '@/server/respond'
import { designer, endSignIn } from '@/server/session'
import { insertNote } from '@/server/sql/audit'

/** Ends the sign-in that asks. */
export const POST = route('POST /api/sign-out', async ({ request }) => {
  const who = await designer(request.cookies)
  await endSignIn()
  const { place } = fromOf(request.headers)
  if (who) await insertNote({ teamId: who.teamId, designerId: who.id, what: 'signed-out', about: '', place })
  return NextResponse.json({ ok: true })
})
