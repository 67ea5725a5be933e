import { NextResponse } from 'next/server'
import { readBytes, route } from '@/server/respond'
import { manyWeather, type WeatherRow } from '@/server/sql/weather'
import { storeWeather } from '@/server/weather'

/** A table of quarter hours with every digit has some 6 MB. */
const largestBytes = 12_000_000

const feature = (weather: WeatherRow) => ({
  type: 'Feature',
  geometry: { type: 'Point', coordinates: [weather.longitudeDeg, weather.latitudeDeg] },
  properties: { id: weather.id, name: weather.name, elevationM: weather.elevationM },
})

/** The team's own weather files, as GeoJSON points. */
export const GET = route('GET /api/weather', async ({ who }) =>
  NextResponse.json({ type: 'FeatureCollection', features: (await manyWeather(who.teamId)).map(feature) }),
)

/** Keeps a weather file, EPW or a table that says where it is from; a bad file changes nothing. */
export const POST = route('POST /api/weather', async ({ request, who }) => {
  const row = await storeWeather(who.teamId, await readBytes(request, largestBytes), request.signal)
  return NextResponse.json(feature(row), { status: 201 })
})
