import { createStore } from 'zustand/vanilla'
import { type Site } from '@/core/kinds/site/site'
import { overHttp } from '@/services/ask'
import { stationsNear } from '@/services/world'
import { fetchOwnWeather } from './own-weather'
import { type StationChoice } from './station-choice'

type Place = Pick<Site, 'latitudeDeg' | 'longitudeDeg'>

const world = overHttp('/world')

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
        stationsNear(world, place, controller.signal),
        fetchOwnWeather(place, controller.signal),
      ]).then(
        ([stations, own]) =>
          this.store.setState({
            list: [...stations.map((station) => ({ ...station, own: false })), ...own],
          }),
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
