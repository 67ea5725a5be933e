import { createStore } from 'zustand/vanilla'
import { type Change, type Conflict } from '@/core/kinds/documents'
import { type FaultDetail } from '@/core/model/fault'

/** An edit that the server has not yet confirmed. */
export interface PendingEdit {
  readonly id: string
  readonly documentId: string
  readonly change: Change
}

/** An object in conflict, and who changed it last. */
export type FoundConflict = Conflict & { readonly by: string | null; readonly at: string | null }

/** An edit that met fields which somebody else had changed: it waits for an answer. */
export interface ConflictedEdit {
  readonly edit: PendingEdit
  readonly objects: readonly FoundConflict[]
}

/** An edit that the server will never take, and why. */
export interface RefusedEdit {
  readonly edit: PendingEdit
  readonly fault: FaultDetail
}

/** An edit on the shelf with what became of it. */
export type ShelvedEdit =
  | { readonly state: 'waiting'; readonly edit: PendingEdit }
  | ({ readonly state: 'conflict' } & ConflictedEdit)
  | ({ readonly state: 'refused' } & RefusedEdit)

/** Where edits lie until they are stored or answered: one record an edit; survives a reload and a crash. */
export interface OutboxShelf {
  /** What earlier visits left, in their order; it is this visit's from now on. */
  adopt(): Promise<readonly ShelvedEdit[]>
  put(edit: ShelvedEdit): Promise<void>
  remove(ids: readonly string[]): Promise<void>
}

/** Somebody's edit as everybody hears of it. */
export interface FeedEdit {
  readonly id: string
  readonly documentId: string
  readonly revision: number
  readonly change: Change
  readonly by: string
  readonly screenId: string | null
  readonly at: string
}

/** What happened to the job after a revision that was known. */
export interface Feed {
  readonly after: number
  readonly edits: readonly FeedEdit[]
  readonly revision: number
}

/** What the server answered. */
export interface SendResult {
  readonly saved: readonly { readonly id: string }[]
  readonly conflicts: readonly {
    readonly id: string
    readonly documentId: string
    readonly objects: readonly FoundConflict[]
  }[]
  readonly feed: Feed
}

/** The server said no for good: an edit of those sent is wrong. */
export class Refused extends Error {
  readonly fault: FaultDetail

  constructor(fault: FaultDetail) {
    super(fault.code)
    this.name = 'Refused'
    this.fault = fault
  }
}

/** The server will take edits again once somebody has done something: signed in, or brought the job back. */
export class Barred extends Error {
  readonly why: 'signed-out' | 'deleted'

  constructor(why: 'signed-out' | 'deleted') {
    super(why)
    this.name = 'Barred'
    this.why = why
  }
}

export type OutboxStatus = 'saved' | 'saving' | 'offline' | 'signed-out' | 'deleted'

interface State {
  readonly status: OutboxStatus
  readonly pending: readonly PendingEdit[]
  readonly conflicts: readonly ConflictedEdit[]
  readonly refused: readonly RefusedEdit[]
  /** Whether the shelf takes what is put on it. */
  readonly shelved: boolean
}

/** Rest of the hand before sending, first pause after a failure, longest pause. */
const restMs = 300
const firstPauseMs = 500
const longestPauseMs = 8000
/** Edits sent at once; the route takes no more. */
const mostAtOnce = 100

const idsIn = ({ change: { added, updated, removed } }: PendingEdit) => [
  ...Object.keys(added),
  ...Object.keys(updated),
  ...Object.keys(removed),
]

interface OutboxParts {
  readonly shelf: OutboxShelf
  readonly send: (edits: readonly PendingEdit[]) => Promise<SendResult>
  /** Runs work while no other tab of this browser sends. */
  readonly alone?: <T>(work: () => Promise<T>) => Promise<T>
  readonly onFeed?: (feed: Feed) => void
}

/**
 * Keeps each edit of this visit on the shelf until the server has it or a person has answered for it. Edits go in their
 * order; a lost connection is tried again for as long as it takes.
 */
export class Outbox {
  readonly store = createStore<State>(() => ({
    status: 'saved',
    pending: [],
    conflicts: [],
    refused: [],
    shelved: true,
  }))
  readonly #parts: OutboxParts
  #timer: ReturnType<typeof setTimeout> | null = null
  #pauseMs = firstPauseMs
  #busy = false
  #shelfWork: Promise<void> = Promise.resolve()
  /** Sent one by one after a refusal, so that the one that is wrong takes no other with it. */
  #oneByOne = false

  constructor(parts: OutboxParts) {
    this.#parts = parts
  }

  /** Takes what earlier visits left: what waited is sent again, what was asked is asked again. */
  async wake(): Promise<void> {
    const left = await this.#parts.shelf.adopt()
    const of = <S extends ShelvedEdit['state']>(state: S) =>
      left.filter((one): one is Extract<ShelvedEdit, { state: S }> => one.state === state)
    const waiting = of('waiting').map(({ edit }) => edit)
    this.store.setState((s) => ({
      pending: [...waiting, ...s.pending],
      conflicts: [...of('conflict'), ...s.conflicts],
      refused: [...of('refused'), ...s.refused],
      status: waiting.length > 0 ? 'saving' : s.status,
    }))
    if (waiting.length > 0) this.#later(0)
  }

  add(edit: PendingEdit): void {
    this.store.setState((s) => ({
      pending: [...s.pending, edit],
      status: s.status === 'saved' ? 'saving' : s.status,
    }))
    this.#shelve((shelf) => shelf.put({ state: 'waiting', edit }))
    this.#later(restMs)
  }

  /** Tries at once: the connection is back, somebody has signed in, or the page is about to go. */
  flush(): void {
    this.#pauseMs = firstPauseMs
    this.#later(0)
  }

  /** Edits that the server is known to have, however that was heard. */
  confirm(ids: readonly string[]): void {
    const known = new Set(ids)
    const { pending } = this.store.getState()
    if (!pending.some(({ id }) => known.has(id))) return
    this.#settle(pending.filter(({ id }) => known.has(id)).map(({ id }) => id))
  }

  /** A conflict was answered; the answer, if there is one, is an edit of its own that goes before all that wait. */
  answer(id: string, edit: PendingEdit | null): void {
    this.store.setState((s) => ({
      conflicts: s.conflicts.filter((conflict) => conflict.edit.id !== id),
      pending: edit ? [edit, ...s.pending] : s.pending,
      status: edit || s.pending.length > 0 ? 'saving' : s.status,
    }))
    this.#shelve(async (shelf) => {
      if (edit) await shelf.put({ state: 'waiting', edit })
      await shelf.remove([id])
    })
    this.#later(0)
  }

  /** The person has done with an edit that was refused. */
  forget(id: string): void {
    this.store.setState((s) => ({ refused: s.refused.filter(({ edit }) => edit.id !== id) }))
    this.#shelve((shelf) => shelf.remove([id]))
  }

  /** When everything that was added so far is on the shelf. */
  atRest(): Promise<void> {
    return this.#shelfWork
  }

  #shelve(work: (shelf: OutboxShelf) => Promise<void>): void {
    this.#shelfWork = this.#shelfWork
      .then(() => work(this.#parts.shelf))
      .then(
        () => this.store.getState().shelved || this.store.setState({ shelved: true }),
        () => this.store.setState({ shelved: false }),
      )
      .then(() => undefined)
  }

  #settle(ids: readonly string[]): void {
    const settled = new Set(ids)
    this.store.setState((s) => {
      const pending = s.pending.filter(({ id }) => !settled.has(id))
      return { pending, status: pending.length > 0 ? 'saving' : 'saved' }
    })
    this.#shelve((shelf) => shelf.remove(ids))
  }

  #setAside(batch: readonly PendingEdit[], fault: FaultDetail): void {
    const [edit] = batch
    // One of these is wrong: of several it is found out one by one, a single one is it.
    if (batch.length > 1 || !edit) this.#oneByOne = true
    else {
      this.#oneByOne = false
      this.store.setState((s) => {
        const pending = s.pending.filter(({ id }) => id !== edit.id)
        return {
          pending,
          refused: [...s.refused, { edit, fault }],
          status: pending.length > 0 ? 'saving' : 'saved',
        }
      })
      this.#shelve((shelf) => shelf.put({ state: 'refused', edit, fault }))
    }
    this.#later(0)
  }

  #later(ms: number): void {
    if (this.#timer) clearTimeout(this.#timer)
    this.#timer = setTimeout(() => void this.#go(), ms)
  }

  /** What may go now: nothing that builds on an edit which waits for an answer, nor what comes after that. */
  #sendable(): PendingEdit[] {
    const { pending, conflicts } = this.store.getState()
    const held = new Set(conflicts.flatMap(({ edit }) => idsIn(edit).map((id) => `${edit.documentId} ${id}`)))
    const blocked = pending.findIndex((edit) =>
      idsIn(edit).some((id) => held.has(`${edit.documentId} ${id}`)),
    )
    return pending.slice(0, blocked < 0 ? undefined : blocked).slice(0, this.#oneByOne ? 1 : mostAtOnce)
  }

  async #go(): Promise<void> {
    this.#timer = null
    if (this.#busy) return
    const batch = this.#sendable()
    if (batch.length === 0) return
    this.#busy = true
    const alone = this.#parts.alone ?? ((work) => work())
    try {
      const result = await alone(async () => {
        // Never sent before it is safe here.
        await this.#shelfWork
        return this.#parts.send(batch)
      })
      this.#pauseMs = firstPauseMs
      this.#take(result)
      if (this.#sendable().length > 0) this.#later(0)
    } catch (error) {
      if (error instanceof Refused) this.#setAside(batch, error.fault)
      else {
        this.store.setState({ status: error instanceof Barred ? error.why : 'offline' })
        this.#later(this.#pauseMs)
        this.#pauseMs = Math.min(longestPauseMs, this.#pauseMs * 2)
      }
    } finally {
      this.#busy = false
    }
  }

  #take({ saved, conflicts, feed }: SendResult): void {
    const { pending } = this.store.getState()
    const found = conflicts.flatMap(({ id, objects }): ConflictedEdit[] => {
      const edit = pending.find((one) => one.id === id)
      return edit ? [{ edit, objects }] : []
    })
    const aside = new Set(found.map(({ edit }) => edit.id))
    this.store.setState((s) => ({
      pending: s.pending.filter(({ id }) => !aside.has(id)),
      conflicts: [...s.conflicts, ...found],
    }))
    for (const one of found) this.#shelve((shelf) => shelf.put({ state: 'conflict', ...one }))
    this.#settle(saved.map(({ id }) => id))
    this.#parts.onFeed?.(feed)
  }
}
