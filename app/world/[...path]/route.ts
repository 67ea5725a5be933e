import { route } from '@/server/respond'
import { answerOf } from '../town-lane'

/** The made-up world's addresses, stations, weather and equipment, in open forms. */
export const GET = route<'GET /world/[...path]', { path: string[] }>(
  'GET /world/[...path]',
  async ({ request, params }) => {
    const { status, type, body, lasting } = await answerOf(
      params.path.join('/'),
      request.nextUrl.searchParams,
    )
    return new Response(typeof body === 'string' ? body : new Uint8Array(body), {
      status,
      headers: {
        'Content-Type': type,
        'Cache-Control': lasting ? 'public, max-age=86400' : 'no-store',
      },
    })
  },
)
