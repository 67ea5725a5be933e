import { NextResponse } from 'next/server'
import { fromOf } from '@/server/accounts/sign-in'
import { quoteSchema, sendQuote } from '@/server/quotes'
import { readBody, route } from '@/server/respond'

/** Asks a distributor for prices by mail. */
export const POST = route<'POST /api/jobs/[id]/quote', { id: string }>(
  'POST /api/jobs/[id]/quote',
  async ({ request, params, who }) => {
    await sendQuote(who, params.id, await readBody(request, quoteSchema), fromOf(request.headers).place)
    return NextResponse.json({ ok: true }, { status: 202 })
  },
)
