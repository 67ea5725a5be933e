import { z } from 'zod'
import { type Site } from '@/core/model/kinds/site'
import { siteKind } from '@/core/model/kinds/site'
import { ownStationId } from '@/core/weather/own-weather'
import { greatCircleM } from '@/core/weather/station'
import { type StationChoice } from './weather/station-choice'

/** The outside world as the bench asks for it, over open formats (GeoJSON). */
export interface AddressChoice {
  readonly label: string
  readonly site: Site
}

const addressesSchema = z.object({
  features: z.array(z.object({ properties: z.object({ label: z.string(), site: siteKind.schema }) })),
})
const stationsSchema = z.object({
  features: z.array(
    z.object({
      properties: z.object({
        id: z.string(),
        name: z.string(),
        elevationM: z.number(),
        distanceM: z.number(),
        yearSpread: z.number().nullable(),
      }),
    }),
  ),
})

async function fetchJson(url: string, signal: AbortSignal): Promise<unknown> {
  const answer = await fetch(url, { signal })
  if (!answer.ok) throw new Error(`The service answered ${answer.status}. Try again.`)
  return answer.json()
}

export async function fetchAddresses(query: string, signal: AbortSignal): Promise<AddressChoice[]> {
  const { features } = addressesSchema.parse(
    await fetchJson(`/world/addresses?q=${encodeURIComponent(query)}`, signal),
  )
  return features.map((feature) => feature.properties)
}

const ownSchema = z.object({
  features: z.array(
    z.object({
      geometry: z.object({ coordinates: z.tuple([z.number(), z.number()]) }),
      properties: z.object({ id: z.string(), name: z.string(), elevationM: z.number() }),
    }),
  ),
})

/** The team's own weather files with their distance. */
export async function fetchOwnWeather(
  latitudeDeg: number,
  longitudeDeg: number,
  signal: AbortSignal,
): Promise<StationChoice[]> {
  const { features } = ownSchema.parse(await fetchJson('/api/weather', signal))
  return features.map(({ geometry, properties }) => ({
    ...properties,
    id: ownStationId(properties.id),
    distanceM: greatCircleM(latitudeDeg, longitudeDeg, geometry.coordinates[1], geometry.coordinates[0]),
    yearSpread: null,
    own: true,
  }))
}

export async function fetchStations(
  latitudeDeg: number,
  longitudeDeg: number,
  signal: AbortSignal,
): Promise<StationChoice[]> {
  const { features } = stationsSchema.parse(
    await fetchJson(`/world/stations?lat=${latitudeDeg}&lon=${longitudeDeg}`, signal),
  )
  return features.map((feature) => ({ ...feature.properties, own: false }))
}
