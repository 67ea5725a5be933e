import { NextResponse } from 'next/server'
import { acceptanceSchema } from '@/proposal/answer'
import { acceptOffer } from '@/server/answers'
import { readBody, route } from '@/server/respond'

/** The customer accepts the offer as it was shown. */
export const POST = route<'POST /offer/[token]/accept', { token: string }>(
  'POST /offer/[token]/accept',
  async ({ request, params: { token } }) => {
    await acceptOffer(token, await readBody(request, acceptanceSchema))
    return NextResponse.json({ ok: true }, { status: 201 })
  },
)
