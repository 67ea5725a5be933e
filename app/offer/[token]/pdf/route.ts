import { Fault } from '@/core/model/fault'
import { offerAt } from '@/server/offers'
import { route } from '@/server/respond'
import { seal } from '@/server/seal'
import { askWork } from '@/server/work/ask'

export const dynamic = 'force-dynamic'

/** The proposal as PDF: the very page, printed. */
export const GET = route<'GET /offer/[token]/pdf', { token: string }>(
  'GET /offer/[token]/pdf',
  async ({ request, params: { token } }) => {
    const offer = await offerAt(token)
    const { made } = await askWork('pdf', {
      teamId: offer.teamId,
      input: { sealedToken: await seal(token) },
      // An offer never changes once it is sent.
      same: offer.id,
      signal: request.signal,
    })
    if (!made) throw new Fault('pdf-failed', { reason: 'printing' })
    // The link may have been withdrawn while it was printed.
    if ((await offerAt(token)).id !== offer.id) throw new Fault('no-such-offer')
    const name = `Offer ${offer.jobName}`.replace(/[^\p{L}\p{N} _-]+/gu, '')
    return new Response(new Uint8Array(made), {
      headers: {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `inline; filename="offer.pdf"; filename*=UTF-8''${encodeURIComponent(name)}.pdf`,
        'Cache-Control': 'private, no-store',
      },
    })
  },
)
