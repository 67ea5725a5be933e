import { Fault } from '@/core/model/fault'
import { offerAt } from '@/server/offers'
import { printer } from '@/server/print/printer'
import { route } from '@/server/respond'

export const dynamic = 'force-dynamic'

/** The proposal as PDF: the very page, printed. */
export const GET = route<'GET /offer/[token]/pdf', { token: string }>(
  'GET /offer/[token]/pdf',
  async ({ request, params: { token } }) => {
    const offer = await offerAt(token)
    const pdf = await printer().print(offer.id, `/offer/${token}?print=1`, request.signal)
    // The link may have been withdrawn while it was printed.
    if ((await offerAt(token)).id !== offer.id) throw new Fault('no-such-offer')
    const name = `Offer ${offer.jobName}`.replace(/[^\p{L}\p{N} _-]+/gu, '')
    return new Response(new Uint8Array(pdf), {
      headers: {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `inline; filename="offer.pdf"; filename*=UTF-8''${encodeURIComponent(name)}.pdf`,
        'Cache-Control': 'private, no-store',
      },
    })
  },
)
