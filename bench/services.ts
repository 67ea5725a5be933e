import { z } from 'zod'
import { type Site } from '@/core/model/kinds/site'
import { siteKind } from '@/core/model/kinds/site'
import { type StationChoice } from './context'

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

export async function fetchStations(
  latitudeDeg: number,
  longitudeDeg: number,
  signal: AbortSignal,
): Promise<StationChoice[]> {
  const { features } = stationsSchema.parse(
    await fetchJson(`/world/stations?lat=${latitudeDeg}&lon=${longitudeDeg}`, signal),
  )
  return features.map((feature) => feature.properties)
}
