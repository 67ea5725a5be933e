import { createStore } from 'zustand/vanilla'
import { type Change, type Conflict } from '@/core/kinds/documents'
import { type FaultDetail } from '@/core/model/fault'

/** An edit that the server has not yet confirmed. */
export interface PendingEdit {
  readonly id: string
  readonly documentId: string
  readonly change: Change
}

/** Where edits lie until they are stored: survives a reload and a crash. */
export interface OutboxShelf {
  load(): Promise<readonly PendingEdit[]>
  store(edits: readonly PendingEdit[]): Promise<void>
}

/** What the server answered. */
export interface SendResult {
  readonly saved: readonly { readonly id: string }[]
  readonly conflicts: readonly {
    readonly id: string
    readonly documentId: string
    readonly objects: readonly Conflict[]
  }[]
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

export type OutboxStatus = 'saved' | 'saving' | 'offline'

/** An edit that the server will never take, and why. */
export interface RefusedEdit {
  readonly edit: PendingEdit
  readonly fault: FaultDetail
}

interface State {
  readonly status: OutboxStatus
  readonly pending: readonly PendingEdit[]
  readonly conflicts: SendResult['conflicts']
  readonly refused: readonly RefusedEdit[]
}

/** Rest of the hand before sending, first pause after a failure, longest pause. */
const restMs = 150
const firstPauseMs = 500
const longestPauseMs = 8000
/** Edits sent at once; the route takes no more. */
const mostAtOnce = 100

/**
 * Keeps every edit on the shelf until the server has it. Edits go in their order; a lost connection is tried again
 * for as long as it takes.
 */
export class Outbox {
  readonly store = createStore<State>(() => ({ status: 'saved', pending: [], conflicts: [], refused: [] }))
  readonly #shelf: OutboxShelf
  readonly #send: (edits: readonly PendingEdit[]) => Promise<SendResult>
  #timer: ReturnType<typeof setTimeout> | null = null
  #pauseMs = firstPauseMs
  #busy = false
  #shelved: Promise<void> = Promise.resolve()
  /** Sent one by one after a refusal, so that the one that is wrong takes no other with it. */
  #oneByOne = false

  constructor(shelf: OutboxShelf, send: (edits: readonly PendingEdit[]) => Promise<SendResult>) {
    this.#shelf = shelf
    this.#send = send
  }

  /** Edits of an earlier visit that were not stored. They are sent again. */
  async wake(): Promise<readonly PendingEdit[]> {
    const left = await this.#shelf.load()
    if (left.length > 0) {
      this.store.setState((s) => ({ pending: [...left, ...s.pending], status: 'saving' }))
      this.#later(0)
    }
    return left
  }

  add(edit: PendingEdit): void {
    this.store.setState((s) => ({
      pending: [...s.pending, edit],
      status: s.status === 'offline' ? 'offline' : 'saving',
    }))
    this.#keep()
    this.#later(restMs)
  }

  /** Tries at once: the connection is back, or the page is about to go. */
  flush(): void {
    this.#pauseMs = firstPauseMs
    this.#later(0)
  }

  settle(id: string): void {
    this.store.setState((s) => ({ conflicts: s.conflicts.filter((conflict) => conflict.id !== id) }))
  }

  /** The person has seen that an edit was refused. */
  forget(id: string): void {
    this.store.setState((s) => ({ refused: s.refused.filter(({ edit }) => edit.id !== id) }))
  }

  /** One of these is wrong: of several it is found out one by one, a single one is it. */
  #setAside(batch: readonly PendingEdit[], fault: FaultDetail): void {
    const [edit] = batch
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
      this.#keep()
    }
    this.#later(0)
  }

  #keep(): void {
    const { pending } = this.store.getState()
    this.#shelved = this.#shelved.then(() => this.#shelf.store(pending)).catch(() => undefined)
  }

  #later(ms: number): void {
    if (this.#timer) clearTimeout(this.#timer)
    this.#timer = setTimeout(() => void this.#go(), ms)
  }

  async #go(): Promise<void> {
    this.#timer = null
    const batch = this.store.getState().pending.slice(0, this.#oneByOne ? 1 : mostAtOnce)
    if (this.#busy || batch.length === 0) return
    this.#busy = true
    try {
      const { saved, conflicts } = await this.#send(batch)
      const settled = new Set([...saved, ...conflicts].map(({ id }) => id))
      this.#pauseMs = firstPauseMs
      this.store.setState((s) => {
        const pending = s.pending.filter((edit) => !settled.has(edit.id))
        return {
          pending,
          conflicts: [...s.conflicts, ...conflicts],
          status: pending.length > 0 ? 'saving' : 'saved',
        }
      })
      this.#keep()
      if (this.store.getState().pending.length > 0) this.#later(0)
    } catch (error) {
      if (error instanceof Refused) this.#setAside(batch, error.fault)
      else {
        this.store.setState({ status: 'offline' })
        this.#later(this.#pauseMs)
        this.#pauseMs = Math.min(longestPauseMs, this.#pauseMs * 2)
      }
    } finally {
      this.#busy = false
    }
  }
}
