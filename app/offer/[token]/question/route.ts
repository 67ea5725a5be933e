import { NextResponse } from 'next/server'
import { questionSchema } from '@/proposal/answer'
import { askAboutOffer } from '@/server/answers'
import { readBody, route } from '@/server/respond'

/** The customer asks whoever sent the offer. */
export const POST = route<'POST /offer/[token]/question', { token: string }>(
  'POST /offer/[token]/question',
  async ({ request, params: { token } }) => {
    const { name, question } = await readBody(request, questionSchema)
    await askAboutOffer(token, name, question)
    return NextResponse.json({ ok: true }, { status: 201 })
  },
)
