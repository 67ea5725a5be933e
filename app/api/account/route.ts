import { NextResponse } from 'next/server'
import { newPasswordSchema, renameSchema } from '@/server/accounts/given'
import { beForgotten } from '@/server/accounts/personal-data'
import { fromOf } from '@/server/accounts/sign-in'
import { readBody, route } from '@/server/respond'
import { renameDesigner } from '@/server/sql/people'

/** Sets one's own name. */
export const PATCH = route('PATCH /api/account', async ({ request, who }) => {
  await renameDesigner(who.id, (await readBody(request, renameSchema)).name)
  return NextResponse.json({ ok: true })
})

/** Leaves the team and is forgotten. */
export const DELETE = route('DELETE /api/account', async ({ request, who }) => {
  const { password } = await readBody(request, newPasswordSchema)
  await beForgotten({ who, place: fromOf(request.headers).place }, password)
  return NextResponse.json({ ok: true })
})
