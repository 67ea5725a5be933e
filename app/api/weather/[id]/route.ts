import { type NextRequest } from 'next/server'
import { asDesigner } from '@/server/respond'
import { weatherText } from '@/server/weather'

/** One of the team's weather files as a table. */
export const GET = (request: NextRequest, { params }: { readonly params: Promise<{ id: string }> }) =>
  asDesigner(
    request,
    async (who) =>
      new Response(await weatherText(who.teamId, (await params).id), {
        headers: {
          'Content-Type': 'text/csv; charset=utf-8',
          'Content-Disposition': 'attachment; filename="weather.csv"',
          'Cache-Control': 'private, max-age=86400',
        },
      }),
  )
