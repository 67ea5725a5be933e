import { type NextRequest } from 'next/server'
import { z } from 'zod'
import { stationEpw } from '@/town/stations'

const yearSchema = z
  .string()
  .regex(/^\d{4}$/)
  .transform(Number)
  .optional()

/** A station's typical year as EPW, or with `?year=` one of the years on record. */
export async function GET(
  request: NextRequest,
  { params }: { readonly params: Promise<{ station: string }> },
): Promise<Response> {
  const year = yearSchema.safeParse(request.nextUrl.searchParams.get('year') ?? undefined)
  const text = year.success ? stationEpw((await params).station.replace(/\.epw$/, ''), year.data) : undefined
  if (!text) return new Response('No such station or year.', { status: 404 })
  return new Response(text, {
    headers: { 'Content-Type': 'text/plain; charset=utf-8', 'Cache-Control': 'public, max-age=86400' },
  })
}
