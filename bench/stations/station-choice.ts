import { ownWeatherId } from '@/core/weather/own-weather'

/** A station as the site chapter lists it. */
export interface StationChoice {
  readonly id: string
  readonly name: string
  readonly elevationM: number
  readonly distanceM: number
  readonly yearSpread: number | null
  /** Whether it is a file of one's own. */
  readonly own: boolean
}

/** Where the worker fetches a station's year. */
export const weatherUrlOf = (stationId: string): string => {
  const own = ownWeatherId(stationId)
  return own === null
    ? `/world/weather/${encodeURIComponent(stationId)}.epw`
    : `/api/weather/${encodeURIComponent(own)}`
}

/** The station a site has chosen; the nearest when it has chosen none, or one that is not at hand. */
export function chosenStation(
  list: readonly StationChoice[],
  stationId: string | null,
): { readonly station: StationChoice; readonly standsIn: boolean } | null {
  const chosen = list.find((station) => station.id === stationId)
  if (chosen) return { station: chosen, standsIn: false }
  const nearest = list.find((station) => !station.own)
  return nearest ? { station: nearest, standsIn: stationId !== null } : null
}
