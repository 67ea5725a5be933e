import { createStore } from 'zustand/vanilla'
import { type Feed } from './outbox'

/** A screen that has the job open, and the id of what is selected there. */
export interface Present {
  readonly screenId: string
  readonly name: string
  readonly selection: string | null
}

/** What the server tells of a job. */
export type LineEvent =
  | ({ readonly type: 'edits' } & Feed)
  | { readonly type: 'at'; readonly revision: number }
  | { readonly type: 'job'; readonly name: string; readonly deleted: boolean }
  | { readonly type: 'comments'; readonly open: number }
  | { readonly type: 'present'; readonly screens: readonly Present[] }

interface State {
  readonly present: readonly Present[]
  readonly name: string | null
  readonly deleted: boolean
  /** Threads of comments that are open; a new object whenever something was said. */
  readonly comments: { readonly open: number }
}

interface LineParts {
  readonly jobId: string
  readonly screenId: string
  readonly revision: () => number
  /** Threads of comments that were open when the page was made; only one tab of a browser hears the line's first word. */
  readonly comments: number
  readonly onFeed: (feed: Feed) => void
  readonly onGap: () => void
  readonly say: (selection: string | null, leaving: boolean) => void
}

/** Pauses before a broken line is opened again, and between two words that this screen is there. */
const firstPauseMs = 500
const longestPauseMs = 10_000
const presenceMs = 5000
/** Rest of the hand before the others hear what is selected. */
const restMs = 400

/**
 * Listens to what others do to a job. Of all tabs of a browser that have the job open one holds the line and passes on
 * what it hears; browsers allow few lines to one server.
 */
export class LiveLine {
  readonly store
  readonly #parts: LineParts
  readonly #channel: BroadcastChannel
  readonly #stopped = new AbortController()
  #source: EventSource | null = null
  #pauseMs = firstPauseMs
  #selection: string | null = null
  #heart: ReturnType<typeof setInterval> | null = null
  #telling: ReturnType<typeof setTimeout> | null = null

  constructor(parts: LineParts) {
    this.#parts = parts
    this.store = createStore<State>(() => ({
      present: [],
      name: null,
      deleted: false,
      comments: { open: parts.comments },
    }))
    this.#channel = new BroadcastChannel(`tall-gable job ${parts.jobId}`)
  }

  start(): void {
    this.#channel.onmessage = ({ data }: MessageEvent<LineEvent>) => this.#hear(data)
    if (navigator.locks)
      navigator.locks
        .request(`tall-gable line ${this.#parts.jobId}`, { signal: this.#stopped.signal }, () => this.#hold())
        .catch(() => undefined)
    else void this.#hold()
    this.#heart = setInterval(() => this.#parts.say(this.#selection, false), presenceMs)
    this.#parts.say(null, false)
    window.addEventListener('pagehide', this.#leave)
    // Something may have happened between the page and the line.
    this.#parts.onGap()
  }

  /** Tells the others what is selected here. */
  select(selection: string | null): void {
    if (selection === this.#selection) return
    this.#selection = selection
    this.#telling ??= setTimeout(() => {
      this.#telling = null
      this.#parts.say(this.#selection, false)
    }, restMs)
  }

  stop(): void {
    this.#stopped.abort()
    this.#source?.close()
    this.#channel.close()
    if (this.#heart) clearInterval(this.#heart)
    if (this.#telling) clearTimeout(this.#telling)
    window.removeEventListener('pagehide', this.#leave)
    this.#leave()
  }

  readonly #leave = () => this.#parts.say(this.#selection, true)

  /** Holds the line until this page goes. */
  #hold(): Promise<void> {
    this.#open()
    return new Promise((done) => this.#stopped.signal.addEventListener('abort', () => done(), { once: true }))
  }

  #open(): void {
    if (this.#stopped.signal.aborted) return
    const source = new EventSource(`/api/jobs/${this.#parts.jobId}/events?since=${this.#parts.revision()}`)
    this.#source = source
    source.onmessage = ({ data }: MessageEvent<string>) => {
      this.#pauseMs = firstPauseMs
      // Our own server's words.
      const event = JSON.parse(data) as LineEvent
      this.#channel.postMessage(event)
      this.#hear(event)
    }
    source.onerror = () => {
      // Opened again from the revision that is known by then.
      source.close()
      setTimeout(() => this.#open(), this.#pauseMs)
      this.#pauseMs = Math.min(longestPauseMs, this.#pauseMs * 2)
    }
  }

  #hear(event: LineEvent): void {
    switch (event.type) {
      case 'edits':
        this.#parts.onFeed(event)
        return
      case 'at':
        if (event.revision > this.#parts.revision()) this.#parts.onGap()
        return
      case 'job':
        this.store.setState({ name: event.name, deleted: event.deleted })
        return
      case 'comments':
        this.store.setState({ comments: event })
        return
      case 'present':
        this.store.setState({
          present: event.screens.filter(({ screenId }) => screenId !== this.#parts.screenId),
        })
    }
  }
}
