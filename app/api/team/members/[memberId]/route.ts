import { NextResponse } from 'next/server'
import { roleSchema } from '@/server/accounts/given'
import { changeRole, takeOut } from '@/server/accounts/members'
import { fromOf } from '@/server/accounts/sign-in'
import { readBody, route } from '@/server/respond'

/** Gives a member another role. */
export const PATCH = route<'PATCH /api/team/members/[memberId]', { memberId: string }>(
  'PATCH /api/team/members/[memberId]',
  async ({ request, params: { memberId }, who }) => {
    const { role } = await readBody(request, roleSchema)
    await changeRole(who, memberId, role, fromOf(request.headers).place)
    return NextResponse.json({ ok: true })
  },
)

/** Takes a member out of the team. */
export const DELETE = route<'DELETE /api/team/members/[memberId]', { memberId: string }>(
  'DELETE /api/team/members/[memberId]',
  async ({ request, params: { memberId }, who }) => {
    await takeOut(who, memberId, fromOf(request.headers).place)
    return NextResponse.json({ ok: true })
  },
)
