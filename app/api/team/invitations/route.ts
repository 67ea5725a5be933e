import { NextResponse } from 'next/server'
import { inviteSchema } from '@/server/accounts/given'
import { invite } from '@/server/accounts/links'
import { fromOf } from '@/server/accounts/sign-in'
import { readBody, route } from '@/server/respond'

/** Invites somebody to the team. */
export const POST = route('POST /api/team/invitations', async ({ request, who }) => {
  const { mail, role } = await readBody(request, inviteSchema)
  const address = await invite(who, mail, role, fromOf(request.headers).place)
  return NextResponse.json({ address }, { status: 201 })
})
