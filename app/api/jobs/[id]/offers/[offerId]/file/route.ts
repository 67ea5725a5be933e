import { offerFileOf } from '@/server/offers'
import { route } from '@/server/respond'

/** What an offer's figures can be verified from. */
export const GET = route<'GET /api/jobs/[id]/offers/[offerId]/file', { id: string; offerId: string }>(
  'GET /api/jobs/[id]/offers/[offerId]/file',
  async ({ params, who }) => {
    const file = await offerFileOf(who.teamId, params.id, params.offerId)
    return new Response(new Uint8Array(file), {
      headers: {
        'Content-Type': 'application/json; charset=utf-8',
        'Content-Disposition': 'attachment; filename="offer.json"',
      },
    })
  },
)
