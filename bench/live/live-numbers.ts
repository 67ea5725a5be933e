import { createStore } from 'zustand/vanilla'
import { type Catalogue } from '@/core/electrical/catalogue'
import { type SunSpan } from '@/core/energy/sun-span'
import { type Objects } from '@/core/kinds/documents'
import { type FaultDetail } from '@/core/model/fault'
import { type HeightWorth } from '@/core/readers/height-worth'
import { type PanelSun } from '@/core/readers/panel-sun'
import { type PartLight } from '@/core/readers/part-light'
import { type ShadeByBoth } from '@/core/readers/reading-worth'
import { type MoneyRanges } from '@/core/finance/ranges'
import { type StoragePicture } from '@/core/readers/storage-worth'
import { type RunSummary } from '@/core/readers/summary'
import {
  protocolVersion,
  type MappedFace,
  type Ranking,
  type RunRequest,
  type ShadeWanted,
  type WorkerAnswer,
  type WorkerRequest,
} from '@/workers/messages'
import { weatherUrlOf } from '../stations/station-choice'
import { shareEqual } from './share-equal'

/** One option's numbers and the state they belong to. */
export interface OptionNumbers {
  readonly summary: RunSummary
  /** The summary before, to show what an edit changed. */
  readonly before: RunSummary | null
  readonly house: Objects
  readonly objects: Objects
  /** The weather it was run with. */
  readonly stationKey: string
}

/** The light on one option's roofs, and the state it belongs to. */
export interface OptionSunMap extends Omit<OptionNumbers, 'summary' | 'before'> {
  readonly span: SunSpan
  readonly faces: readonly MappedFace[]
  readonly panels: PanelSun
}

/** The shade of an option that was asked about, and the state it belongs to. */
export interface OptionShade extends Omit<OptionNumbers, 'summary' | 'before'> {
  readonly wanted: ShadeWanted
  readonly light: PartLight | null
  readonly heights: readonly HeightWorth[] | null
  readonly byBoth: ShadeByBoth | null
}

/** What other inverters or other strings make of an option, those that are known so far. */
export interface OptionRanking extends Omit<OptionNumbers, 'summary' | 'before'> {
  readonly ranking: Ranking
}

/** What other batteries make of an option, those that are known so far. */
export interface OptionStorage extends Omit<OptionNumbers, 'summary' | 'before'> {
  readonly picture: StoragePicture
}

/** Where an option's offer may end up. */
export interface OptionRanges extends Omit<OptionNumbers, 'summary' | 'before'> {
  readonly found: MoneyRanges
}

interface State {
  readonly byOption: Readonly<Record<string, OptionNumbers>>
  /** The light on the roofs of options that it was asked for. */
  readonly sunMaps: Readonly<Record<string, OptionSunMap>>
  /** Of each option what was asked about last. */
  readonly shades: Readonly<Record<string, OptionShade>>
  readonly rankings: Readonly<Record<string, OptionRanking>>
  readonly storages: Readonly<Record<string, OptionStorage>>
  readonly ranges: Readonly<Record<string, OptionRanges>>
  readonly faults: Readonly<Record<string, FaultDetail>>
  /** The newest run asked for, and whether its answers are all here. */
  readonly asked: number
  readonly busy: boolean
  /** The weather that is wanted now. */
  readonly stationKey: string
}

export interface LiveRequest {
  readonly house: Objects
  readonly options: readonly { readonly id: string; readonly objects: Objects }[]
  readonly activeId: string
  readonly station: RunRequest['station']
  /** Of what span the light on the roofs of the option on the screen is wanted too. */
  readonly sunMap: SunSpan | null
  /** What of its shade is wanted; null where nobody looks at it. */
  readonly shade: ShadeWanted | null
  /** What is to be ranked for it. */
  readonly ranking: Ranking['of'] | null
  /** Whether other batteries are to be tried in it. */
  readonly storage: boolean
  /** Whether it is wanted where its offer may end up. */
  readonly ranges: boolean
}

/** What a Worker is to us; a test brings its own. */
export interface WorkerLike {
  onmessage: ((event: MessageEvent<WorkerAnswer>) => void) | null
  onerror: ((event: ErrorEvent) => void) | null
  postMessage(message: WorkerRequest): void
  terminate(): void
}

/** Whether what is known of the shade is all that is wanted now. */
export const answers = (known: OptionShade | undefined, { of, heights }: ShadeWanted): boolean =>
  known !== undefined &&
  (known.heights !== null || !heights) &&
  known.wanted.of.length === of.length &&
  known.wanted.of.every((id, i) => id === of[i])

/** A worker that says nothing for this long while it should work has died; it speaks every second. */
const silentMs = 15_000
/** Times that the same state is tried with a new worker before its fault is said. */
const mostTries = 3

/**
 * Keeps every option's numbers in step with the documents: sends the newest state whenever the worker is free, the
 * option on the screen first, and leaves out options whose inputs have not changed. A worker that dies is replaced and
 * the run repeated.
 */
export class LiveNumbers {
  readonly store = createStore<State>(() => ({
    byOption: {},
    sunMaps: {},
    shades: {},
    rankings: {},
    storages: {},
    ranges: {},
    faults: {},
    asked: 0,
    busy: true,
    stationKey: '',
  }))
  readonly #makeWorker: () => WorkerLike
  readonly #catalogue: Catalogue
  #worker: WorkerLike
  #wanted: LiveRequest | null = null
  #sent: { request: LiveRequest; id: number; tries: number } | null = null
  #silence: ReturnType<typeof setTimeout> | undefined

  constructor(makeWorker: () => WorkerLike, catalogue: Catalogue) {
    this.#makeWorker = makeWorker
    this.#catalogue = catalogue
    this.#worker = this.#begin()
  }

  ask(request: LiveRequest): void {
    this.#wanted = request
    this.store.setState({ busy: true, stationKey: JSON.stringify(request.station) })
    if (!this.#sent) this.#send(1)
    // What is being worked on is worth little now.
    else this.#worker.postMessage({ type: 'overtaking' })
  }

  stop(): void {
    clearTimeout(this.#silence)
    this.#worker.terminate()
  }

  /** Whether the option's numbers belong to these documents and this weather. */
  static fits(
    numbers: Pick<OptionNumbers, 'house' | 'objects' | 'stationKey'> | undefined,
    house: Objects,
    objects: Objects,
    stationKey: string,
  ): boolean {
    return (
      numbers !== undefined &&
      numbers.house === house &&
      numbers.objects === objects &&
      numbers.stationKey === stationKey
    )
  }

  #begin(): WorkerLike {
    const worker = this.#makeWorker()
    worker.onmessage = ({ data }) => this.#hear(data)
    worker.onerror = () => this.#replace()
    return worker
  }

  /** The worker has died: another one takes the run up, or the next state where the same one fails again and again. */
  #replace(): void {
    clearTimeout(this.#silence)
    this.#worker.onmessage = this.#worker.onerror = null
    this.#worker.terminate()
    this.#worker = this.#begin()
    const sent = this.#sent
    this.#sent = null
    if (!sent) return
    if (this.#wanted) this.#send(1)
    else if (sent.tries < mostTries) {
      this.#wanted = sent.request
      this.#send(sent.tries + 1)
    } else {
      const fault = { code: 'worker-stopped', data: {}, path: '' }
      this.store.setState((s) => ({ busy: false, faults: { ...s.faults, [sent.request.activeId]: fault } }))
    }
  }

  #listen(): void {
    clearTimeout(this.#silence)
    if (this.#sent) this.#silence = setTimeout(() => this.#replace(), silentMs)
  }

  #send(tries: number): void {
    const request = this.#wanted
    this.#wanted = null
    if (!request) return
    const { byOption, sunMaps, shades, rankings, storages, ranges, asked } = this.store.getState()
    const stale = request.options.filter(({ id, objects }) => {
      const fits = (known: Pick<OptionNumbers, 'house' | 'objects' | 'stationKey'> | undefined) =>
        LiveNumbers.fits(known, request.house, objects, JSON.stringify(request.station))
      if (!fits(byOption[id])) return true
      if (id !== request.activeId) return false
      const shade = shades[id]
      const hasShade = !request.shade || (fits(shade) && answers(shade, request.shade))
      const map = sunMaps[id]
      const hasMap = request.sunMap === null || (fits(map) && map?.span === request.sunMap)
      const known = rankings[id]
      const hasRanking =
        !request.ranking ||
        (fits(known) &&
          known?.ranking.of === request.ranking &&
          known.ranking.rows.length === known.ranking.all)
      const storage = storages[id]
      const hasStorage = !request.storage || (fits(storage) && storage?.picture.steps !== null)
      const hasRanges = !request.ranges || fits(ranges[id])
      return !hasShade || !hasMap || !hasRanking || !hasStorage || !hasRanges
    })
    if (stale.length === 0) {
      this.store.setState({ busy: false })
      return
    }
    const id = asked + 1
    this.#sent = { request, id, tries }
    this.store.setState({ asked: id })
    const active = stale.filter((option) => option.id === request.activeId)
    this.#worker.postMessage({
      type: 'run',
      protocol: protocolVersion,
      id,
      house: request.house,
      options: [...active, ...stale.filter((option) => option.id !== request.activeId)],
      catalogue: this.#catalogue,
      station: request.station,
      weatherUrl: weatherUrlOf(request.station.id),
      sunMap: active.length > 0 ? request.sunMap : null,
      shade: active.length > 0 ? request.shade : null,
      ranking: active.length > 0 ? request.ranking : null,
      storage: active.length > 0 && request.storage,
      ranges: active.length > 0 && request.ranges,
    })
    this.#listen()
  }

  #hear(answer: WorkerAnswer): void {
    const sent = this.#sent
    if (!sent || answer.id !== sent.id) return
    this.#listen()
    if (answer.type === 'working') return
    if (answer.type === 'idle') {
      this.#sent = null
      this.#listen()
      if (this.#wanted) this.#send(1)
      else this.store.setState({ busy: false })
      return
    }
    if (answer.type === 'fault') {
      const id = answer.optionId ?? sent.request.activeId
      this.store.setState((s) => ({ faults: { ...s.faults, [id]: answer.fault } }))
      return
    }
    const objects = sent.request.options.find((option) => option.id === answer.optionId)?.objects
    if (!objects) return
    const { house, station } = sent.request
    const state = { house, objects, stationKey: JSON.stringify(station) }
    if (answer.type === 'sun-map') {
      const { optionId, span, faces, panels } = answer
      this.store.setState((s) => ({
        sunMaps: {
          ...s.sunMaps,
          [optionId]: { span, ...shareEqual(s.sunMaps[optionId], { faces, panels }), ...state },
        },
      }))
      return
    }
    if (answer.type === 'shade') {
      const { optionId, wanted, light, heights, byBoth } = answer
      this.store.setState((s) => ({
        shades: { ...s.shades, [optionId]: { wanted, light, heights, byBoth, ...state } },
      }))
      return
    }
    if (answer.type === 'ranking') {
      const { optionId, ranking } = answer
      this.store.setState((s) => ({ rankings: { ...s.rankings, [optionId]: { ranking, ...state } } }))
      return
    }
    if (answer.type === 'storage') {
      const { optionId, picture } = answer
      this.store.setState((s) => ({ storages: { ...s.storages, [optionId]: { picture, ...state } } }))
      return
    }
    if (answer.type === 'ranges') {
      const { optionId, ranges: found } = answer
      this.store.setState((s) => ({ ranges: { ...s.ranges, [optionId]: { found, ...state } } }))
      return
    }
    // What was asked for the light on the roofs alone tells nothing new.
    const { byOption, faults: said } = this.store.getState()
    const isKnown = LiveNumbers.fits(byOption[answer.optionId], house, objects, state.stationKey)
    if (isKnown && !said[answer.optionId]) return
    this.store.setState((s) => {
      const { [answer.optionId]: _mended, ...faults } = s.faults
      return {
        faults,
        byOption: {
          ...s.byOption,
          [answer.optionId]: {
            summary: shareEqual(s.byOption[answer.optionId]?.summary, answer.summary),
            before: s.byOption[answer.optionId]?.summary ?? null,
            ...state,
          },
        },
      }
    })
  }
}
