import { NextResponse, type NextRequest } from 'next/server'
import { textOf } from '@/core/weather/text'
import { asDesigner, readBytes } from '@/server/respond'
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
export const GET = (request: NextRequest) =>
  asDesigner(request, async (who) =>
    NextResponse.json({ type: 'FeatureCollection', features: (await manyWeather(who.teamId)).map(feature) }),
  )

/** Keeps a weather file, EPW or a table that says where it is from; a bad file changes nothing. */
export const POST = (request: NextRequest) =>
  asDesigner(request, async (who) =>
    NextResponse.json(
      feature(await storeWeather(who.teamId, textOf(await readBytes(request, largestBytes)))),
      {
        status: 201,
      },
    ),
  )
