import { z } from 'zod'
import { catalogueSchema, type Catalogue } from '@/core/electrical/catalogue'
import { type LatLon } from '@/core/geometry/geo'
import { coverSchema } from '@/core/kinds/cover/cover'
import { incentiveSchema } from '@/core/kinds/offer/incentive'
import { offerSchema, type Incentive } from '@/core/kinds/offer/offer'
import { pictureIdSchema, siteSchema } from '@/core/kinds/site/site'
import { tariffFormSchema, type TariffForm } from '@/core/kinds/tariff/form'
import { tariffSchema } from '@/core/kinds/tariff/tariff'
import { Fault } from '@/core/model/fault'
import { byDistance } from '@/core/weather/station'
import { textFrom, type Ask } from './ask'

const addressSchema = z.object({
  label: z.string(),
  /** What holds at the address. */
  site: siteSchema,
  tariffs: z.object({ now: tariffSchema, then: tariffSchema }),
  prices: offerSchema.pick({ pricePerWatt: true, listShare: true, incentives: true, gridCo2: true }),
  cover: coverSchema.pick({ rulesId: true, setbacksM: true }),
})
const addressesSchema = z.object({ features: z.array(z.object({ properties: addressSchema })) })

/** An address and what is usual there: enough to begin a job. */
export type AddressFound = z.infer<typeof addressSchema>

const stationsSchema = z.object({
  features: z.array(
    z.object({
      geometry: z.object({ coordinates: z.tuple([z.number(), z.number()]) }),
      properties: z.object({
        id: z.string(),
        name: z.string(),
        elevationM: z.number(),
        yearSpread: z.number().nullable(),
      }),
    }),
  ),
})

/** A weather station and how far it is. */
export interface StationFound extends LatLon {
  readonly id: string
  readonly name: string
  readonly elevationM: number
  /** Standard deviation of a year's light as a share of the mean; null where it is not known. */
  readonly yearSpread: number | null
  readonly distanceM: number
}

/** Where a station's typical year is. */
export const stationPath = (id: string): string => `weather/${encodeURIComponent(id)}.epw`

/** Where the weather of one of its years is. */
export const recordPath = (id: string, year: number): string => `${stationPath(id)}?year=${year}`

async function jsonFrom<T>(ask: Ask, path: string, schema: z.ZodType<T>, signal?: AbortSignal): Promise<T> {
  const text = await textFrom(ask, path, signal)
  try {
    return schema.parse(JSON.parse(text))
  } catch (error) {
    if (!(error instanceof SyntaxError || error instanceof z.ZodError)) throw error
    throw new Fault('service-garbled', { path: path.split('?')[0] ?? path })
  }
}

/** Addresses that match, best first. */
export const addressesFor = async (ask: Ask, query: string, signal?: AbortSignal): Promise<AddressFound[]> =>
  (await jsonFrom(ask, `addresses?q=${encodeURIComponent(query)}`, addressesSchema, signal)).features.map(
    ({ properties }) => properties,
  )

/** Addresses that may have been meant where none matches. */
export const addressesNear = async (ask: Ask, query: string, signal?: AbortSignal): Promise<AddressFound[]> =>
  (
    await jsonFrom(ask, `addresses?near&q=${encodeURIComponent(query)}`, addressesSchema, signal)
  ).features.map(({ properties }) => properties)

/** Weather stations by their distance from a place, nearest first. */
export async function stationsNear(ask: Ask, place: LatLon, signal?: AbortSignal): Promise<StationFound[]> {
  const query = `stations?lat=${place.latitudeDeg}&lon=${place.longitudeDeg}`
  const { features } = await jsonFrom(ask, query, stationsSchema, signal)
  const stations = features.map(({ geometry, properties }) => ({
    ...properties,
    longitudeDeg: geometry.coordinates[0],
    latitudeDeg: geometry.coordinates[1],
  }))
  return byDistance(stations, place.latitudeDeg, place.longitudeDeg).map(({ station, distanceM }) => ({
    ...station,
    distanceM,
  }))
}

/** What can be bought. */
export const catalogueFrom = (ask: Ask): Promise<Catalogue> => jsonFrom(ask, 'catalogue', catalogueSchema)

const imagerySchema = z.object({
  pictures: z
    .array(
      z.object({
        id: pictureIdSchema,
        /** Local clock time without a zone, such as "2025-05-14T10:40". */
        takenAt: z.iso.datetime({ local: true }),
        /** Whether trees stood without their leaves. */
        bareTrees: z.boolean(),
        /** How far east and north a thing a metre tall is displaced, m; nothing from straight above. */
        leanM: z.tuple([z.number().min(-2).max(2), z.number().min(-2).max(2)]),
      }),
    )
    .min(1)
    .max(40),
})

/** A picture of the ground around a place. */
export type AerialPicture = z.infer<typeof imagerySchema>['pictures'][number]

/** The pictures that were taken of the ground around a place, the usual one first. */
export const imageryAt = async (
  ask: Ask,
  place: LatLon,
  signal?: AbortSignal,
): Promise<readonly AerialPicture[]> =>
  (await jsonFrom(ask, `imagery?lat=${place.latitudeDeg}&lon=${place.longitudeDeg}`, imagerySchema, signal))
    .pictures

const tariffsSchema = z.object({ tariffs: z.array(tariffFormSchema) })

/** The tariffs that utilities offer at a place. */
export const tariffsAt = async (
  ask: Ask,
  place: LatLon,
  signal?: AbortSignal,
): Promise<readonly TariffForm[]> =>
  (await jsonFrom(ask, `tariffs?lat=${place.latitudeDeg}&lon=${place.longitudeDeg}`, tariffsSchema, signal))
    .tariffs

const profilesSchema = z.object({
  profiles: z.array(
    z.object({ id: z.string().regex(/^[\w-]{1,60}$/), name: z.string().max(60), kwhPerYear: z.number() }),
  ),
})

/** A household whose meter one may look at. */
export type MeteredHousehold = z.infer<typeof profilesSchema>['profiles'][number]

/** Households whose meters were read for a year. */
export const householdsFrom = async (
  ask: Ask,
  _place: LatLon,
  signal?: AbortSignal,
): Promise<readonly MeteredHousehold[]> => (await jsonFrom(ask, 'profiles', profilesSchema, signal)).profiles

/** What the meter of one has told, as its portal gives it, at a place with the same seasons. */
export const householdFile = (
  ask: Ask,
  id: string,
  { latitudeDeg }: Pick<LatLon, 'latitudeDeg'>,
): Promise<string> => textFrom(ask, `profiles/${encodeURIComponent(id)}.csv?lat=${latitudeDeg}`)

const distributorsSchema = z.object({
  distributors: z.array(z.object({ name: z.string().max(120), mail: z.email().max(254) })),
})

/** Who sells parts around a place. */
export const distributorsAt = async (
  ask: Ask,
  place: LatLon,
  signal?: AbortSignal,
): Promise<z.infer<typeof distributorsSchema>['distributors']> =>
  (
    await jsonFrom(
      ask,
      `distributors?lat=${place.latitudeDeg}&lon=${place.longitudeDeg}`,
      distributorsSchema,
      signal,
    )
  ).distributors

const incentivesSchema = z.object({ incentives: z.array(incentiveSchema) })

/** The programmes that pay for solar at a place. */
export const incentivesAt = async (
  ask: Ask,
  { latitudeDeg, longitudeDeg }: LatLon,
  signal?: AbortSignal,
): Promise<readonly Incentive[]> =>
  (await jsonFrom(ask, `incentives?lat=${latitudeDeg}&lon=${longitudeDeg}`, incentivesSchema, signal))
    .incentives
