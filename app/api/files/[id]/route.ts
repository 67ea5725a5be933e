import { loadFile } from '@/server/files'
import { route } from '@/server/respond'

/** One of the team's pictures or drawings; it never changes under its id, and runs nothing wherever it is opened. */
export const GET = route<'GET /api/files/[id]', { id: string }>(
  'GET /api/files/[id]',
  async ({ params, who }) => {
    const { mediaType, bytes } = await loadFile(who.teamId, params.id)
    return new Response(new Uint8Array(bytes), {
      headers: {
        'Content-Type': mediaType,
        'Content-Disposition': 'attachment',
        'Content-Security-Policy': "default-src 'none'; sandbox",
        'X-Content-Type-Options': 'nosniff',
        'Cache-Control': 'private, max-age=31536000, immutable',
      },
    })
  },
)
