import { NextResponse } from 'next/server'
import { withdrawInvitation } from '@/server/accounts/links'
import { fromOf } from '@/server/accounts/sign-in'
import { route } from '@/server/respond'

/** Withdraws an invitation: its link leads nowhere any more. */
export const DELETE = route<'DELETE /api/team/invitations/[invitationId]', { invitationId: string }>(
  'DELETE /api/team/invitations/[invitationId]',
  async ({ request, params: { invitationId }, who }) => {
    await withdrawInvitation(who, invitationId, fromOf(request.headers).place)
    return NextResponse.json({ ok: true })
  },
)
