import { type NextRequest } from 'next/server'
import { townAnswer } from '@/town/answers'

/** The made-up world's addresses, stations, weather and equipment, in open forms. */
export async function GET(
  request: NextRequest,
  { params }: { readonly params: Promise<{ path: string[] }> },
): Promise<Response> {
  const { status, type, body, lasting } = townAnswer(
    (await params).path.join('/'),
    request.nextUrl.searchParams,
  )
  return new Response(body, {
    status,
    headers: {
      'Content-Type': type,
      'Cache-Control': lasting ? 'public, max-age=86400' : 'no-store',
    },
  })
}
