import { stationEpw } from '@/town/stations'

/** A station's typical year as EPW. */
export async function GET(
  _request: Request,
  { params }: { readonly params: Promise<{ station: string }> },
): Promise<Response> {
  const text = stationEpw((await params).station.replace(/\.epw$/, ''))
  if (!text) return new Response('No such station.', { status: 404 })
  return new Response(text, {
    headers: { 'Content-Type': 'text/plain; charset=utf-8', 'Cache-Control': 'public, max-age=86400' },
  })
}
