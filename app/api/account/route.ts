import { NextResponse } from 'next/server'
import { renameSchema } from '@/server/accounts/given'
import { readBody, route } from '@/server/respond'
import { renameDesigner } from '@/server/sql/people'

/** Sets one's own name. */
export const PATCH = route('PATCH /api/account', async ({ request, who }) => {
  await renameDesigner(who.id, (await readBody(request, renameSchema)).name)
  return NextResponse.json({ ok: true })
})
