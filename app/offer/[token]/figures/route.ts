import { NextResponse } from 'next/server'
import { offerCsv, offerFigures } from '@/proposal/figures'
import { stateOf } from '@/server/answers'
import { offerAt, proposalIn } from '@/server/offers'
import { route } from '@/server/respond'

export const dynamic = 'force-dynamic'

/** The figures of the page as CSV, or as JSON where nothing else is asked for. */
export const GET = route<'GET /offer/[token]/figures', { token: string }>(
  'GET /offer/[token]/figures',
  async ({ request, params: { token } }) => {
    const offer = await offerAt(token)
    const data = await proposalIn(offer.body)
    const { digest } = stateOf(offer)
    const isCsv = new URL(request.url).searchParams.get('format') === 'csv'
    const headers = {
      'Content-Disposition': `attachment; filename="offer.${isCsv ? 'csv' : 'json'}"`,
      'Cache-Control': 'private, no-store',
    }
    if (!isCsv) return NextResponse.json(offerFigures(data, digest), { headers })
    return new Response(offerCsv(data, digest), {
      headers: { ...headers, 'Content-Type': 'text/csv; charset=utf-8' },
    })
  },
)
