import { createStore } from 'zustand/vanilla'
import { type Site } from '@/core/model/kinds/site'
import { fetchOwnWeather, fetchStations } from '../services'
import { type StationChoice } from './station-choice'

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
