import { route } from '@/server/respond'
import { weatherText } from '@/server/weather'

/** One of the team's weather files as a table. */
export const GET = route<'GET /api/weather/[id]', { id: string }>(
  'GET /api/weather/[id]',
  async ({ params, who }) =>
    new Response(await weatherText(who.teamId, params.id), {
      headers: {
        'Content-Type': 'text/csv; charset=utf-8',
        'Content-Disposition': 'attachment; filename="weather.csv"',
        'Cache-Control': 'private, max-age=86400',
      },
    }),
)
