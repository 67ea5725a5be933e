import { createStore } from 'zustand/vanilla'
import { isAllowed, parseObject, withFields, type Change, type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { changeBetween, invertChange, isEmptyChange, mergeChange } from '@/core/model/change'
import { Fault } from '@/core/model/fault'
import { mayMake, type Role } from '@/core/model/roles'
import { type Remedy } from '@/core/model/ledger'

export const houseId = 'house'

/** What one gesture did, to undo it in one step. */
export interface Step {
  readonly label: string
  readonly changes: Readonly<Record<string, Change>>
}

/** What became of an edit: the step it made (none where nothing changed), or why it was refused. */
export type Outcome =
  { readonly step: Step | null; readonly fault: null } | { readonly step: null; readonly fault: Fault }

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
  readonly #ends = new Set<() => void>()
  readonly #leftAlone = new Set<(ids: readonly string[]) => void>()
  /** While the documents are shown as they were: hears of edits that were tried. */
  #looksBack: (() => void) | null = null

  /**
   * @param role what whoever looks may change; the server refuses the same
   * @param onBarred hears of an edit that they may not make
   */
  constructor(
    documents: Readonly<Record<string, Objects>>,
    order: readonly string[],
    readonly role: Role = 'owner',
    readonly onBarred = () => {},
  ) {
    this.store = createStore<State>(() => ({ documents, order, undone: [], done: [], mark: null }))
  }

  onChange(listener: (documentId: string, change: Change) => void): () => void {
    this.#listeners.add(listener)
    return () => this.#listeners.delete(listener)
  }

  /** Hears when a gesture has ended, whichever way. */
  onEnd(listener: () => void): () => void {
    this.#ends.add(listener)
    return () => this.#ends.delete(listener)
  }

  /** Hears of objects that undo or redo left as somebody else has made them since. */
  onLeftAlone(listener: (ids: readonly string[]) => void): () => void {
    this.#leftAlone.add(listener)
    return () => this.#leftAlone.delete(listener)
  }

  /** Whether a hand is dragging. */
  get isInGesture(): boolean {
    return this.store.getState().mark !== null
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

  /**
   * Shows the documents as they were. Until `lookAhead` nothing can be edited, and what others do waits as it does while
   * a hand is dragging.
   * @param onRefused hears of an edit that was tried
   */
  lookBack(documents: Readonly<Record<string, Objects>>, onRefused: () => void): void {
    if (!this.#looksBack) this.cancel()
    this.#looksBack = onRefused
    this.store.setState((s) => {
      const now = s.mark ?? s.documents
      const gone = Object.keys(now).map((id) => [id, emptyObjects] as const)
      return {
        mark: now,
        documents: { ...Object.fromEntries(gone), ...documents },
        order: withFresh(s.order, documents),
      }
    })
  }

  /** Shows the documents as they are again. */
  lookAhead(): void {
    this.#looksBack = null
    this.cancel()
  }

  /** Starts a gesture; what follows until `commit` is one step. */
  begin(): void {
    if (!this.store.getState().mark) this.store.setState((s) => ({ mark: s.documents }))
  }

  /** Shows a document as it would be, from the state at the gesture's begin. */
  preview(id: string, recipe: (before: Objects) => Objects): void {
    if (this.#looksBack) return
    this.store.setState((s) => ({
      documents: { ...s.documents, [id]: recipe((s.mark ?? s.documents)[id] ?? {}) },
    }))
  }

  cancel(): void {
    if (this.#looksBack) return
    this.store.setState((s) => (s.mark ? { documents: s.mark, mark: null } : s))
    this.#ended()
  }

  /**
   * Ends the gesture. An object that its kind does not allow refuses the whole gesture, and the documents are as they
   * were at its begin.
   */
  commit(label: string): Outcome {
    if (this.#refuses()) return { step: null, fault: new Fault('looking-back') }
    const { mark, documents, done, order } = this.store.getState()
    if (!mark) return { step: null, fault: null }
    const changes: Record<string, Change> = {}
    for (const id of new Set([...Object.keys(mark), ...Object.keys(documents)])) {
      const change = changeBetween(mark[id] ?? {}, documents[id] ?? {})
      if (!isEmptyChange(change)) changes[id] = change
    }
    const isOurs = Object.values(changes).every((change) => mayMake(this.role, change))
    if (!isOurs) this.onBarred()
    const fault = isOurs ? faultIn(changes) : new Fault('not-your-role', { role: this.role })
    if (fault) {
      this.cancel()
      return { step: null, fault }
    }
    if (Object.keys(changes).length === 0) {
      this.store.setState({ mark: null })
      this.#ended()
      return { step: null, fault: null }
    }
    const step = { label, changes }
    this.store.setState({
      mark: null,
      order: withFresh(order, changes),
      done: [...done, step].slice(-mostSteps),
      undone: [],
    })
    this.#tell(changes)
    this.#ended()
    return { step, fault: null }
  }

  /** A whole edit at once. */
  edit(label: string, id: string, recipe: (before: Objects) => Objects): Outcome {
    return this.editAll(label, { [id]: recipe })
  }

  /** A whole edit of several documents at once, one step. */
  editAll(label: string, recipes: Readonly<Record<string, (before: Objects) => Objects>>): Outcome {
    this.begin()
    for (const [id, recipe] of Object.entries(recipes)) this.preview(id, recipe)
    return this.commit(label)
  }

  /**
   * Sets fields of one object if its kind allows them.
   * @returns what is wrong; null when it was done
   */
  set(
    label: string,
    documentId: string,
    objectId: string,
    fields: Readonly<Record<string, unknown>>,
  ): Fault | null {
    const object = this.document(documentId)[objectId]
    if (!object) return new Fault('gone')
    try {
      const next = withFields(object, fields)
      return this.edit(label, documentId, (before) => ({ ...before, [objectId]: next })).fault
    } catch (error) {
      if (error instanceof Fault) return error
      throw error
    }
  }

  /**
   * Takes a check's remedy. What belongs to the house is mended there, for every option.
   * @returns what is wrong; null when it was done
   */
  mend({ code, set: { id, field, value } }: Remedy, optionId: string): Fault | null {
    return this.set(code, this.house[id] ? houseId : optionId, id, { [field]: value })
  }

  /**
   * Takes one step back wherever it stands among the others: the last one as by `undo`, an earlier one as an edit of
   * its own while nobody has touched its objects since.
   * @returns whether it could be taken back
   */
  takeBack(step: Step): boolean {
    const { done } = this.store.getState()
    if (done.at(-1) === step) return this.undo() !== null
    if (!done.includes(step)) return false
    const back = Object.entries(step.changes).map(([id, change]) => [id, invertChange(change)] as const)
    const merged = back.map(
      ([id, change]) => [id, mergeChange(this.document(id), change, isAllowed)] as const,
    )
    if (merged.some(([, { conflicts }]) => conflicts.length > 0)) return false
    this.begin()
    for (const [id, { objects }] of merged) this.preview(id, () => objects)
    return this.commit(step.label).step !== null
  }

  undo(): Step | null {
    const { done, undone } = this.store.getState()
    const step = done.at(-1)
    if (!step || this.#refuses()) return null
    this.cancel()
    this.#apply(step, true)
    this.store.setState({ done: done.slice(0, -1), undone: [...undone, step] })
    return step
  }

  redo(): Step | null {
    const { done, undone } = this.store.getState()
    const step = undone.at(-1)
    if (!step || this.#refuses()) return null
    this.cancel()
    this.#apply(step, false)
    this.store.setState({ done: [...done, step], undone: undone.slice(0, -1) })
    return step
  }

  /** Shows documents as they are by now, without a step of undo: others have changed them. */
  take(documents: Readonly<Record<string, Objects>>): void {
    this.store.setState((s) => ({
      documents: { ...s.documents, ...documents },
      order: withFresh(s.order, documents),
    }))
  }

  /** Does a step again or takes it back; what somebody else has changed since stays as it is. */
  #apply(step: Step, back: boolean): void {
    const changes: Record<string, Change> = {}
    const left: string[] = []
    const documents = { ...this.store.getState().documents }
    for (const [id, change] of Object.entries(step.changes)) {
      const before = documents[id] ?? {}
      const { objects, conflicts } = mergeChange(before, back ? invertChange(change) : change, isAllowed)
      left.push(...conflicts.map((conflict) => conflict.id))
      const done = changeBetween(before, objects)
      if (isEmptyChange(done)) continue
      documents[id] = objects
      changes[id] = done
    }
    this.store.setState({ documents })
    this.#tell(changes)
    if (left.length > 0) for (const listener of this.#leftAlone) listener(left)
  }

  #refuses(): boolean {
    this.#looksBack?.()
    return this.#looksBack !== null
  }

  #ended(): void {
    for (const listener of this.#ends) listener()
  }

  #tell(changes: Readonly<Record<string, Change>>): void {
    for (const [id, change] of Object.entries(changes))
      for (const listener of this.#listeners) listener(id, change)
  }
}

const emptyObjects: Objects = {}

/** The options in their order, with those that were not there before. */
function withFresh(order: readonly string[], documents: Readonly<Record<string, unknown>>) {
  const fresh = Object.keys(documents).filter((id) => id !== houseId && !order.includes(id))
  return fresh.length > 0 ? [...order, ...fresh] : order
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

/** The first object of a change that its kind does not allow. */
function faultIn(changes: Readonly<Record<string, Change>>): Fault | null {
  for (const { added, updated } of Object.values(changes))
    for (const object of [...Object.values(added), ...Object.values(updated).map(([, to]) => to)])
      try {
        parseObject(object, object.id)
      } catch (error) {
        if (error instanceof Fault) return error
        throw error
      }
  return null
}
