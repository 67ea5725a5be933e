import { sharedOption } from '@/server/shares'
import { failure } from '@/server/respond'
import { printPage } from '@/server/print-page'

export const dynamic = 'force-dynamic'

/** The proposal as PDF: the very page, printed. */
export async function GET(
  _request: Request,
  { params }: { readonly params: Promise<{ token: string }> },
): Promise<Response> {
  try {
    const { token } = await params
    const { job } = await sharedOption(token)
    const pdf = await printPage(`/offer/${token}?print=1`)
    const name = `Offer ${job.name}`.replace(/[^\p{L}\p{N} _-]+/gu, '')
    return new Response(new Uint8Array(pdf), {
      headers: {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `inline; filename="offer.pdf"; filename*=UTF-8''${encodeURIComponent(name)}.pdf`,
        'Cache-Control': 'private, no-store',
      },
    })
  } catch (error) {
    return failure(error)
  }
}
