import { NextResponse } from 'next/server'
import { loadJob } from '@/server/jobs'
import { readBytes, route } from '@/server/respond'
import { manyWeather, type WeatherRow } from '@/server/sql/weather'
import { ownWeatherOf } from '@/server/weather'
import { askWork } from '@/server/work/ask'

/** A table of quarter hours with every digit has some 6 MB. */
const largestBytes = 12_000_000

const feature = (weather: WeatherRow) => ({
  type: 'Feature',
  geometry: { type: 'Point', coordinates: [weather.longitudeDeg, weather.latitudeDeg] },
  properties: { id: weather.id, name: weather.name, elevationM: weather.elevationM },
})

/** The team's own weather files, as GeoJSON points; a guest is told of the one that their job is computed with. */
export const GET = route('GET /api/weather', async ({ who }) => {
  const all = await manyWeather(who.teamId)
  const own = 'jobId' in who ? ownWeatherOf((await loadJob(who.teamId, who.jobId)).job) : null
  const rows = 'jobId' in who ? all.filter(({ id }) => id === own) : all
  return NextResponse.json({ type: 'FeatureCollection', features: rows.map(feature) })
})

/** Keeps a weather file, EPW or a table that says where it is from; a bad file changes nothing. */
export const POST = route('POST /api/weather', async ({ request, who }) => {
  const { outcome } = await askWork('weather', {
    teamId: who.teamId,
    input: { teamId: who.teamId },
    given: await readBytes(request, largestBytes),
    signal: request.signal,
  })
  return NextResponse.json(feature(outcome), { status: 201 })
})
