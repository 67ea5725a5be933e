import { createStore } from 'zustand/vanilla'
import { type Site } from '@/core/model/kinds/site'
import { ownWeatherId } from '@/core/weather/own-weather'
import { type StationChoice } from '../context'
import { fetchOwnWeather, fetchStations } from '../services'

type Place = Pick<Site, 'latitudeDeg' | 'longitudeDeg'>

/** How long to wait when the server is away. */
const pauseMs = 2000

/** Stations and imported files that a job can take its weather from, nearest first, own files at the end. */
export class StationList {
  readonly store = createStore<{ readonly list: readonly StationChoice[] }>(() => ({ list: [] }))
  #stop: (() => void) | null = null

  /** Puts one in that was just imported, before the server is asked again. */
  add(choice: StationChoice): void {
    this.store.setState(({ list }) => ({ list: [...list.filter(({ id }) => id !== choice.id), choice] }))
  }

  /** Asks for the list of a place, again and again until the server answers; returns how to stop. */
  follow(place: Place): () => void {
    this.#stop?.()
    const controller = new AbortController()
    let timer: ReturnType<typeof setTimeout> | undefined
    const load = () =>
      Promise.all([
        fetchStations(place.latitudeDeg, place.longitudeDeg, controller.signal),
        fetchOwnWeather(place.latitudeDeg, place.longitudeDeg, controller.signal),
      ]).then(
        ([stations, own]) => this.store.setState({ list: [...stations, ...own] }),
        () => {
          if (!controller.signal.aborted) timer = setTimeout(() => void load(), pauseMs)
        },
      )
    void load()
    this.#stop = () => {
      clearTimeout(timer)
      controller.abort()
    }
    return this.#stop
  }
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
