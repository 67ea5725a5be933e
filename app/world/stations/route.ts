import { NextResponse, type NextRequest } from 'next/server'
import { z } from 'zod'
import { stationSpread, stationsNear } from '@/town/stations'

const schema = z.object({
  lat: z.coerce.number().min(-90).max(90),
  lon: z.coerce.number().min(-180).max(180),
})

/** The nearest weather stations to `?lat=&lon=`, as GeoJSON points with their distance. */
export async function GET(request: NextRequest): Promise<Response> {
  const parsed = schema.safeParse(Object.fromEntries(request.nextUrl.searchParams))
  if (!parsed.success)
    return NextResponse.json(
      { error: { code: 'bad-place', message: 'lat and lon in degrees are needed.', path: 'lat' } },
      { status: 400 },
    )
  const near = stationsNear({ latitudeDeg: parsed.data.lat, longitudeDeg: parsed.data.lon }).slice(0, 6)
  return NextResponse.json({
    type: 'FeatureCollection',
    features: near.map(({ station, distanceM }) => ({
      type: 'Feature',
      geometry: { type: 'Point', coordinates: [station.longitudeDeg, station.latitudeDeg] },
      properties: {
        id: station.id,
        name: station.name,
        elevationM: station.elevationM,
        distanceM,
        yearSpread: stationSpread(station.id)?.spread ?? null,
      },
    })),
  })
}
