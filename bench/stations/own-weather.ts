import { z } from 'zod'
import { type LatLon } from '@/core/geometry/geo'
import { ownStationId } from '@/core/weather/own-weather'
import { greatCircleM } from '@/core/weather/station'
import { overHttp, textFrom } from '@/services/ask'
import { type StationChoice } from './station-choice'

const schema = z.object({
  features: z.array(
    z.object({
      geometry: z.object({ coordinates: z.tuple([z.number(), z.number()]) }),
      properties: z.object({ id: z.string(), name: z.string(), elevationM: z.number() }),
    }),
  ),
})

/** The team's own weather files with their distance from a place. */
export async function fetchOwnWeather(place: LatLon, signal: AbortSignal): Promise<StationChoice[]> {
  const { features } = schema.parse(JSON.parse(await textFrom(overHttp('/api'), 'weather', signal)))
  return features.map(({ geometry: { coordinates }, properties }) => ({
    ...properties,
    id: ownStationId(properties.id),
    distanceM: greatCircleM(place.latitudeDeg, place.longitudeDeg, coordinates[1], coordinates[0]),
    yearSpread: null,
    own: true,
  }))
}
