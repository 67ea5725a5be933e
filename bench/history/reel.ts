import { createStore } from 'zustand/vanilla'
import { type Objects } from '@/core/kinds/documents'
import { Film, type LoggedEdit } from '@/core/kinds/film'
import { type Fault } from '@/core/model/fault'
import { type DocumentStore, type Outcome } from '../store/documents'

/** An edit of the log: who, when, what. */
export interface PastEdit extends LoggedEdit {
  readonly id: string
  readonly revision: number
  readonly by: string
  readonly at: string
}

/** A moment that somebody gave a name: the job with all edits up to a revision. */
export interface Version {
  readonly id: string
  readonly name: string
  readonly revision: number
  readonly by: string
  readonly at: string
}

interface Part {
  readonly edits: readonly PastEdit[]
  readonly before: string | null
  readonly count: number
  readonly versions: readonly Version[]
}

interface State {
  /** The newest first. */
  readonly edits: readonly PastEdit[]
  /** Edits there are, read or not. */
  readonly count: number
  readonly versions: readonly Version[]
  /** Edits taken back on the screen; 0 is today. */
  readonly back: number
  /** Edits that can be taken back by now. */
  readonly reach: number
  readonly reading: boolean
  /** Why the log could not be read further. */
  readonly fault: Fault | null
  /** What lies further back is written in a way that is no longer read. */
  readonly torn: boolean
}

interface ReelParts {
  readonly documents: Pick<
    DocumentStore,
    'lookBack' | 'lookAhead' | 'begin' | 'preview' | 'commit' | 'document'
  > & {
    readonly store: Pick<DocumentStore['store'], 'getState'>
  }
  /** What the server has by now, and the revision it is. */
  readonly sync: { readonly base: Readonly<Record<string, Objects>>; readonly revision: number }
  /** Hears of an edit that was tried on the past. */
  readonly onRefused: () => void
  readonly ask: (before: string) => Promise<Part | { readonly fault: Fault }>
}

/** The past of a job on the screen: reads its log from now backwards, and shows the job as it was. */
export class Reel {
  readonly store = createStore<State>(() => ({
    edits: [],
    count: 0,
    versions: [],
    back: 0,
    reach: 0,
    reading: false,
    fault: null,
    torn: false,
  }))
  readonly #parts: ReelParts
  #film: Film
  #revision: number
  /** Of the reading that goes on; one that is overtaken stops. */
  #reading = 0

  constructor(parts: ReelParts) {
    this.#parts = parts
    this.#film = new Film(parts.sync.base)
    this.#revision = parts.sync.revision
  }

  /** The job's revision that is today here. */
  get revision(): number {
    return this.#revision
  }

  /** Reads the log from now to its beginning, part by part. */
  async read(): Promise<void> {
    const { base, revision } = this.#parts.sync
    this.lookAhead()
    this.#film = new Film(base)
    this.#revision = revision
    this.store.setState({ edits: [], reach: 0, torn: false })
    await this.#readFrom(`${revision + 1}.0`)
  }

  /** Goes on where the reading stopped. */
  async readOn(): Promise<void> {
    const last = this.store.getState().edits.at(-1)
    if (!last) return this.read()
    // Some of the last one's revision may be known already: it is told again, and left out.
    await this.#readFrom(`${last.revision + 1}.0`)
  }

  async #readFrom(start: string): Promise<void> {
    const mine = ++this.#reading
    this.store.setState({ reading: true, fault: null })
    let before: string | null = start
    while (before !== null) {
      const part: Part | { readonly fault: Fault } = await this.#parts.ask(before)
      if (mine !== this.#reading) return
      if ('fault' in part) {
        this.store.setState({ reading: false, fault: part.fault })
        return
      }
      const { edits } = this.store.getState()
      const known = new Set(edits.slice(-part.edits.length).map(({ id }) => id))
      const fresh = part.edits.filter(({ id }) => !known.has(id))
      this.#film.add(fresh)
      this.store.setState({
        edits: [...edits, ...fresh],
        // What is further back than this part, and what is known.
        count: edits.length + fresh.length + part.count - part.edits.length,
        versions: part.versions,
        reach: this.#film.reach,
        torn: this.#film.isTorn,
      })
      before = this.#film.isTorn ? null : part.before
    }
    this.store.setState({ reading: false })
  }

  /** Shows the job as it was before its last edits; 0 is today. As far back as is known by now. */
  go(count: number): void {
    const back = Math.max(0, Math.min(this.#film.reach, Math.round(count)))
    if (back === 0) this.#parts.documents.lookAhead()
    else this.#parts.documents.lookBack(this.#film.back(back), this.#parts.onRefused)
    this.store.setState({ back })
  }

  lookAhead(): void {
    this.go(0)
  }

  /** Edits of a named moment's future, as far as they are known. */
  backOf({ revision }: Pick<Version, 'revision'>): number {
    return this.store.getState().edits.filter((edit) => edit.revision > revision).length
  }

  /** Whether a moment is as far back as is known by now. */
  reaches(version: Pick<Version, 'revision'>): boolean {
    const { edits, reading, reach } = this.store.getState()
    const back = this.backOf(version)
    return back <= reach && (back < edits.length || !reading)
  }

  /** The revision that the moment on the screen is the end of; null within one, where several edits came at once. */
  revisionShown(): number | null {
    const { edits, back, count } = this.store.getState()
    // Others may have gone on since the log was read: what is stored by now is today.
    if (back === 0) return this.#parts.sync.revision
    const next = edits[back - 1]
    const last = edits[back]
    // Before the first edit of all is as the job was made.
    if (!last) return back === count && next ? next.revision - 1 : null
    return next && next.revision === last.revision ? null : last.revision
  }

  /** Makes the job as it is shown now, as one step that undo takes back. What others did meanwhile goes too. */
  restore(label: string): Outcome {
    const target = this.#film.back(this.store.getState().back)
    const { documents } = this.#parts
    this.lookAhead()
    documents.begin()
    const ids = new Set([...Object.keys(documents.store.getState().documents), ...Object.keys(target)])
    for (const id of ids) documents.preview(id, () => target[id] ?? {})
    return documents.commit(label)
  }

  /** Shows today and reads no further. */
  close(): void {
    this.#reading++
    this.lookAhead()
  }

  /** Asks for the named moments again; while the server is away they stay as they are known. */
  async readVersions(): Promise<void> {
    const part = await this.#parts.ask('1.0')
    if (!('fault' in part)) this.store.setState({ versions: part.versions })
  }
}
