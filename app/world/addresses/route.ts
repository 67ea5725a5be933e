import { NextResponse, type NextRequest } from 'next/server'
import { siteIn } from '@/town/job-defaults'
import { findAddresses } from '@/town/geocoder'

/** Addresses that match `?q=`, as GeoJSON points with what holds for a site there. */
export async function GET(request: NextRequest): Promise<Response> {
  const query = (request.nextUrl.searchParams.get('q') ?? '').slice(0, 200)
  return NextResponse.json({
    type: 'FeatureCollection',
    features: findAddresses(query).map((match) => ({
      type: 'Feature',
      geometry: { type: 'Point', coordinates: [match.longitudeDeg, match.latitudeDeg] },
      properties: { label: match.label, site: siteIn(match.town, match.label, match) },
    })),
  })
}
