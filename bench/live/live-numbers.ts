import { createStore } from 'zustand/vanilla'
import { type Catalogue } from '@/core/electrical/catalogue'
import { type Objects } from '@/core/model/document'
import { type FaultDetail } from '@/core/model/fault'
import { type RunSummary } from '@/core/pipeline/summary'
import { weatherUrlOf } from '../weather/station-choice'
import { protocolVersion, type RunRequest, type WorkerAnswer } from '@/workers/messages'

/** One option's numbers and the run they belong to. */
export interface OptionNumbers {
  readonly run: number
  readonly summary: RunSummary
  /** The summary before, to show what an edit changed. */
  readonly before: RunSummary | null
  readonly at: number
  /** In the worker. */
  readonly milliseconds: number
  readonly house: Objects
  readonly objects: Objects
  /** The weather it was run with. */
  readonly stationKey: string
}

interface State {
  readonly byOption: Readonly<Record<string, OptionNumbers>>
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
}

/** What a Worker is to us; a test brings its own. */
export interface WorkerLike {
  onmessage: ((event: MessageEvent<WorkerAnswer>) => void) | null
  postMessage(message: RunRequest): void
  terminate(): void
}

/**
 * Keeps every option's numbers in step with the documents: sends the newest state whenever the worker is free, the
 * option on the screen first, and leaves out options whose inputs have not changed.
 */
export class LiveNumbers {
  readonly store = createStore<State>(() => ({
    byOption: {},
    faults: {},
    asked: 0,
    busy: true,
    stationKey: '',
  }))
  readonly #worker: WorkerLike
  readonly #catalogue: Catalogue
  #wanted: LiveRequest | null = null
  #sent: { request: LiveRequest; id: number } | null = null

  constructor(worker: WorkerLike, catalogue: Catalogue) {
    this.#worker = worker
    this.#catalogue = catalogue
    worker.onmessage = ({ data }) => this.#hear(data)
  }

  ask(request: LiveRequest): void {
    this.#wanted = request
    this.store.setState({ busy: true, stationKey: JSON.stringify(request.station) })
    if (!this.#sent) this.#send()
  }

  stop(): void {
    this.#worker.terminate()
  }

  /** Whether the option's numbers belong to these documents and this weather. */
  static fits(
    numbers: OptionNumbers | undefined,
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

  #send(): void {
    const request = this.#wanted
    this.#wanted = null
    if (!request) return
    const { byOption, asked } = this.store.getState()
    const stale = request.options.filter(
      ({ id, objects }) =>
        !LiveNumbers.fits(byOption[id], request.house, objects, JSON.stringify(request.station)),
    )
    if (stale.length === 0) {
      this.store.setState({ busy: false })
      return
    }
    const id = asked + 1
    this.#sent = { request, id }
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
    })
  }

  #hear(answer: WorkerAnswer): void {
    const sent = this.#sent
    if (!sent || answer.id !== sent.id) return
    if (answer.type === 'idle') {
      this.#sent = null
      if (this.#wanted) this.#send()
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
    this.store.setState((s) => {
      const { [answer.optionId]: _mended, ...faults } = s.faults
      return {
        faults,
        byOption: {
          ...s.byOption,
          [answer.optionId]: {
            run: answer.id,
            summary: answer.summary,
            before: s.byOption[answer.optionId]?.summary ?? null,
            at: performance.now(),
            milliseconds: answer.milliseconds,
            house: sent.request.house,
            objects,
            stationKey: JSON.stringify(sent.request.station),
          },
        },
      }
    })
    // While the hand is moving, the option on the screen is worth more than the others.
    if (this.#wanted) this.#send()
  }
}
