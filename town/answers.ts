import { greatCircleM } from '@/core/weather/station'
import { flightsOver } from './aerial/flights'
import { catalogue } from './equipment'
import { findAddresses, nearAddresses, type AddressMatch } from './geocoder'
import { coverOf, siteAt, tariffsOf } from './job-defaults'
import { stations, stationEpw, stationSpread } from './stations'
import { heightsAt, outlinesAt } from './heights'
import { lotsAt } from './lot-lines'
import { distributorsIn } from './distributors'
import { profileCsv, profileList } from './profiles'
import { incentivesIn, usualIncentives } from './incentives'
import { tariffsIn } from './tariffs'
import { towns, type Town } from './towns'

/** What the made-up world answers to a path of its interface. */
export interface TownAnswer {
  readonly status: number
  readonly type: string
  readonly body: string | Uint8Array
  /** Whether the same question gets the same answer for a day. */
  readonly lasting: boolean
}

const json = (value: unknown, lasting = false): TownAnswer => ({
  status: 200,
  type: 'application/json; charset=utf-8',
  body: JSON.stringify(value),
  lasting,
})

const refusal = (status: number, body: string): TownAnswer => ({
  status,
  type: 'text/plain; charset=utf-8',
  body,
  lasting: false,
})

const collection = (features: readonly object[]) => json({ type: 'FeatureCollection', features })

const point = (longitudeDeg: number, latitudeDeg: number) => ({
  type: 'Point',
  coordinates: [longitudeDeg, latitudeDeg],
})

const longestWay = 60_000

/** The town whose services reach a place. */
function townAround(query: URLSearchParams): Town | TownAnswer {
  const place = { latitudeDeg: Number(query.get('lat')), longitudeDeg: Number(query.get('lon')) }
  if (!Number.isFinite(place.latitudeDeg) || !Number.isFinite(place.longitudeDeg))
    return refusal(400, 'Say where: lat and lon in degrees.')
  const town = towns.find(
    (known) =>
      greatCircleM(known.latitudeDeg, known.longitudeDeg, place.latitudeDeg, place.longitudeDeg) < longestWay,
  )
  return town ?? refusal(404, 'Nothing is known of this place.')
}

/** The pictures that were taken of the ground around a place: when, how finely and from where. */
function imageryAnswer(query: URLSearchParams): TownAnswer {
  const town = townAround(query)
  if ('status' in town) return town
  const two = (n: number) => String(n).padStart(2, '0')
  const pictures = flightsOver(town).map(
    ({ id, taken: { year, month, day, hour, minute }, bare, leanM }) => ({
      id,
      takenAt: `${year}-${two(month)}-${two(day)}T${two(hour)}:${two(minute)}`,
      pointM: 0.05,
      bareTrees: bare,
      leanM,
    }),
  )
  return json({ pictures }, true)
}

/** The tariffs that utilities offer at a place. */
function tariffsAnswer(query: URLSearchParams): TownAnswer {
  const town = townAround(query)
  return 'status' in town ? town : json({ tariffs: tariffsIn(town.id) }, true)
}

/** The programmes that pay for solar at a place. */
function incentivesAnswer(query: URLSearchParams): TownAnswer {
  const town = townAround(query)
  return 'status' in town ? town : json({ incentives: incentivesIn(town.id) }, true)
}

/** Who sells parts around a place. */
function distributorsAnswer(query: URLSearchParams): TownAnswer {
  const town = townAround(query)
  return 'status' in town ? town : json({ distributors: distributorsIn(town.id) }, true)
}

/** Households whose meters may be looked at, or what the meter of one has told. */
function profilesAnswer(name: string, query: URLSearchParams): TownAnswer {
  if (name === '') return json({ profiles: profileList }, true)
  const csv = profileCsv(name.replace(/\.csv$/, ''), Number(query.get('lat')) < 0)
  return csv === null
    ? refusal(404, 'No such household.')
    : { status: 200, type: 'text/csv; charset=utf-8', body: csv, lasting: true }
}

/** Heights around a place as a GeoTIFF, outlines of the buildings there, and the lines of the lots. */
function surveyAnswer(what: 'heights' | 'outlines' | 'lots', query: URLSearchParams): TownAnswer {
  const town = townAround(query)
  if ('status' in town) return town
  const place = { latitudeDeg: Number(query.get('lat')), longitudeDeg: Number(query.get('lon')) }
  if (what === 'outlines') return json(outlinesAt(town, place), true)
  if (what === 'lots') return json(lotsAt(town, place), true)
  return { status: 200, type: 'image/tiff', body: heightsAt(town, place), lasting: true }
}

/** All stations; whoever asks knows how far they are. */
export const stationsAnswer = (): TownAnswer =>
  collection(
    stations.map(({ id, name, elevationM, longitudeDeg, latitudeDeg }) => ({
      type: 'Feature',
      geometry: point(longitudeDeg, latitudeDeg),
      properties: { id, name, elevationM, yearSpread: stationSpread(id)?.spread ?? null },
    })),
  )

const addressFeature = (match: AddressMatch) => ({
  type: 'Feature',
  geometry: point(match.longitudeDeg, match.latitudeDeg),
  properties: {
    label: match.label,
    site: siteAt(match.town, match.label, match),
    tariffs: tariffsOf(match.town),
    cover: coverOf(match.town),
    prices: {
      pricePerWatt: match.town.pricePerWatt,
      listShare: match.town.listShare,
      incentives: usualIncentives(match.town.id),
      gridCo2: match.town.gridCo2,
    },
  },
})

const longestQuery = 200

/**
 * The world's answer to a path and a query: `addresses?q=[&near]`, `stations`, `weather/<station>.epw[?year=]`, `catalogue`,
 * `imagery?lat=&lon=`, `tariffs?lat=&lon=`, `incentives?lat=&lon=`, `distributors?lat=&lon=`, `profiles`, `profiles/<household>.csv?lat=`,
 * `heights?lat=&lon=`, `outlines?lat=&lon=`, `lots?lat=&lon=`. GeoJSON, JSON, EPW and GeoTIFF.
 */
export function townAnswer(path: string, query: URLSearchParams): TownAnswer {
  const [what = '', name = ''] = path.split('/')
  if (what === 'addresses') {
    const asked = (query.get('q') ?? '').slice(0, longestQuery)
    return collection((query.has('near') ? nearAddresses(asked) : findAddresses(asked)).map(addressFeature))
  }
  if (what === 'stations') return stationsAnswer()
  if (what === 'imagery') return imageryAnswer(query)
  if (what === 'tariffs') return tariffsAnswer(query)
  if (what === 'heights' || what === 'outlines' || what === 'lots') return surveyAnswer(what, query)
  if (what === 'incentives') return incentivesAnswer(query)
  if (what === 'distributors') return distributorsAnswer(query)
  if (what === 'profiles') return profilesAnswer(name, query)
  if (what === 'catalogue') return json(catalogue, true)
  if (what !== 'weather') return refusal(404, 'Nothing is known of this here.')
  const year = query.get('year')
  const text =
    year === null || /^\d{4}$/.test(year)
      ? stationEpw(decodeURIComponent(name).replace(/\.epw$/, ''), year === null ? undefined : Number(year))
      : undefined
  return text === undefined
    ? refusal(404, 'No such station or year.')
    : { status: 200, type: 'text/plain; charset=utf-8', body: text, lasting: true }
}
