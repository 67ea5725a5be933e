import { createStore } from 'zustand/vanilla'
import { applyChange, changeBetween, invertChange, isEmptyChange, type Change } from '@/core/model/change'
import { type Remedy } from '@/core/pipeline/explanation'
import { objectKinds, type AnyObject, type Objects } from '@/core/model/document'

export const houseId = 'house'

/** What one gesture did, to undo it in one step. */
export interface Step {
  readonly label: string
  readonly changes: Readonly<Record<string, Change>>
}

interface State {
  readonly documents: Readonly<Record<string, Objects>>
  /** Every option there has been, in order; those without objects are gone for now. */
  readonly order: readonly string[]
  readonly undone: readonly Step[]
  readonly done: readonly Step[]
  /** The documents as they were when the running gesture began. */
  readonly mark: Readonly<Record<string, Objects>> | null
}

/** Undo steps kept in a session. */
const mostSteps = 200

/**
 * The job's documents in the browser: gestures preview freely and become one change at their end; changes go to
 * `onChange` (the outbox) and can be undone.
 */
export class DocumentStore {
  readonly store
  readonly #listeners = new Set<(documentId: string, change: Change) => void>()

  constructor(documents: Readonly<Record<string, Objects>>, order: readonly string[]) {
    this.store = createStore<State>(() => ({ documents, order, undone: [], done: [], mark: null }))
  }

  onChange(listener: (documentId: string, change: Change) => void): () => void {
    this.#listeners.add(listener)
    return () => this.#listeners.delete(listener)
  }

  document(id: string): Objects {
    return this.store.getState().documents[id] ?? {}
  }

  get house(): Objects {
    return this.document(houseId)
  }

  /** Options that have objects, in order. */
  get options(): { id: string; objects: Objects }[] {
    return optionsOf(this.store.getState())
  }

  /** Starts a gesture; what follows until `commit` is one step. */
  begin(): void {
    if (!this.store.getState().mark) this.store.setState((s) => ({ mark: s.documents }))
  }

  /** Shows a document as it would be, from the state at the gesture's begin. */
  preview(id: string, recipe: (before: Objects) => Objects): void {
    this.store.setState((s) => ({
      documents: { ...s.documents, [id]: recipe((s.mark ?? s.documents)[id] ?? {}) },
    }))
  }

  cancel(): void {
    this.store.setState((s) => (s.mark ? { documents: s.mark, mark: null } : s))
  }

  commit(label: string): void {
    const { mark, documents, done, order } = this.store.getState()
    if (!mark) return
    const changes: Record<string, Change> = {}
    for (const id of new Set([...Object.keys(mark), ...Object.keys(documents)])) {
      const change = changeBetween(mark[id] ?? {}, documents[id] ?? {})
      if (!isEmptyChange(change)) changes[id] = change
    }
    const fresh = Object.keys(changes).filter((id) => id !== houseId && !order.includes(id))
    if (Object.keys(changes).length === 0) {
      this.store.setState({ mark: null })
      return
    }
    this.store.setState({
      mark: null,
      order: [...order, ...fresh],
      done: [...done, { label, changes }].slice(-mostSteps),
      undone: [],
    })
    this.#tell(changes)
  }

  /** A whole edit at once. */
  edit(label: string, id: string, recipe: (before: Objects) => Objects): void {
    this.begin()
    this.preview(id, recipe)
    this.commit(label)
  }

  /**
   * Sets fields of one object if its kind allows them.
   * @returns what is wrong, in words; null when it was done
   */
  set(
    label: string,
    documentId: string,
    objectId: string,
    fields: Readonly<Record<string, unknown>>,
  ): string | null {
    const object = this.document(documentId)[objectId]
    if (!object) return 'This is gone.'
    const parsed = objectKinds[object.kind].schema.safeParse({ ...object, ...fields })
    if (!parsed.success) return parsed.error.issues[0]?.message ?? 'Not possible.'
    this.edit(label, documentId, (before) => ({ ...before, [objectId]: parsed.data }))
    return null
  }

  /**
   * Takes a check's remedy. What belongs to the house is mended there, for every option.
   * @returns what is wrong, in words; null when it was done
   */
  mend({ label, set: { id, field, value } }: Remedy, optionId: string): string | null {
    return this.set(label, this.house[id] ? houseId : optionId, id, { [field]: value })
  }

  undo(): Step | null {
    const { done, undone } = this.store.getState()
    const step = done.at(-1)
    if (!step) return null
    this.cancel()
    this.#apply(step, true)
    this.store.setState({ done: done.slice(0, -1), undone: [...undone, step] })
    return step
  }

  redo(): Step | null {
    const { done, undone } = this.store.getState()
    const step = undone.at(-1)
    if (!step) return null
    this.cancel()
    this.#apply(step, false)
    this.store.setState({ done: [...done, step], undone: undone.slice(0, -1) })
    return step
  }

  /** Takes over objects from elsewhere (the server, another editor) without a step of undo. */
  adopt(documentId: string, id: string, object: AnyObject | null): void {
    const change = changeBetween(this.document(documentId), withObject(this.document(documentId), id, object))
    this.store.setState((s) => ({
      documents: { ...s.documents, [documentId]: applyChange(s.documents[documentId] ?? {}, change) },
    }))
  }

  #apply(step: Step, back: boolean): void {
    const changes = Object.fromEntries(
      Object.entries(step.changes).map(([id, change]) => [id, back ? invertChange(change) : change]),
    )
    this.store.setState((s) => ({
      documents: {
        ...s.documents,
        ...Object.fromEntries(
          Object.entries(changes).map(([id, change]) => [id, applyChange(s.documents[id] ?? {}, change)]),
        ),
      },
    }))
    this.#tell(changes)
  }

  #tell(changes: Readonly<Record<string, Change>>): void {
    for (const [id, change] of Object.entries(changes))
      for (const listener of this.#listeners) listener(id, change)
  }
}

export function optionsOf(state: Pick<State, 'documents' | 'order'>): { id: string; objects: Objects }[] {
  return state.order
    .map((id) => ({ id, objects: state.documents[id] ?? {} }))
    .filter(({ objects }) => Object.keys(objects).length > 0)
}

export function withObject(objects: Objects, id: string, object: AnyObject | null): Objects {
  if (object) return { ...objects, [id]: object }
  const { [id]: _gone, ...rest } = objects
  return rest
}
