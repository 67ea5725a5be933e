import { isAllowed, type Objects } from '@/core/kinds/documents'
import { applyChange, answeredChange, isEmptyChange, mergeChange, sameValue } from '@/core/model/change'
import { type DocumentStore } from './documents'
import { type ConflictedEdit, type Feed, type Outbox } from './outbox'

/**
 * What the server has, and on top of it what it has not got yet: that is what is shown. Edits of others are taken in
 * their order, never while a hand is dragging, and the edits of this visit are merged onto them again.
 */
export class Sync {
  readonly #documents: DocumentStore
  readonly #outbox: Outbox
  readonly #onGap: () => void
  #base: Readonly<Record<string, Objects>>
  #revision: number
  #behind = false

  /** @param onGap something in between was not heard: everything since `revision` has to be asked for */
  constructor(
    documents: DocumentStore,
    outbox: Outbox,
    base: Readonly<Record<string, Objects>>,
    revision: number,
    onGap: () => void,
  ) {
    this.#documents = documents
    this.#outbox = outbox
    this.#base = base
    this.#revision = revision
    this.#onGap = onGap
    documents.onEnd(() => {
      if (this.#behind) this.show()
    })
  }

  /** The job's revision that is known here. */
  get revision(): number {
    return this.#revision
  }

  /** The server's own state of all documents, as it is known here. */
  get base(): Readonly<Record<string, Objects>> {
    return this.#base
  }

  /** The server's own state of a document, as it is known here. */
  stored(documentId: string): Objects {
    return this.#base[documentId] ?? {}
  }

  feed({ after, edits, revision }: Feed): void {
    if (after > this.#revision) {
      this.#onGap()
      return
    }
    const fresh = edits.filter((edit) => edit.revision > this.#revision)
    const base = { ...this.#base }
    for (const { documentId, change } of fresh) base[documentId] = applyChange(base[documentId] ?? {}, change)
    this.#base = base
    this.#revision = Math.max(this.#revision, revision)
    this.#outbox.confirm(fresh.map(({ id }) => id))
    if (fresh.length > 0) this.show()
  }

  /** Shows the server's state with the edits that wait on top. */
  show(): void {
    if (this.#documents.isInGesture) {
      this.#behind = true
      return
    }
    this.#behind = false
    const shown: Record<string, Objects> = { ...this.#base }
    for (const { documentId, change } of this.#outbox.store.getState().pending)
      shown[documentId] = mergeChange(shown[documentId] ?? {}, change, isAllowed).objects
    const before = this.#documents.store.getState().documents
    this.#documents.take(
      Object.fromEntries(Object.entries(shown).map(([id, objects]) => [id, sharing(before[id], objects)])),
    )
  }

  /** Answers a conflict: the fields in question as they were wanted here, or as the others left them. */
  answer({ edit, objects }: ConflictedEdit, answer: 'ours' | 'theirs'): void {
    const { documentId } = edit
    // What the server has told of these objects may be newer than what was heard here.
    const now: Record<string, Objects[string]> = { ...this.stored(documentId) }
    for (const { id, theirs } of objects)
      if (theirs) now[id] = theirs
      else delete now[id]
    const change = answeredChange(now, edit.change, answer, isAllowed)
    const answered = isEmptyChange(change) ? null : { id: crypto.randomUUID(), documentId, change }
    this.#outbox.answer(edit.id, answered)
    this.show()
  }
}

/** The same document with the very objects of the one before where nothing has changed in them. */
function sharing(before: Objects | undefined, after: Objects): Objects {
  if (!before || before === after) return after
  let same = Object.keys(before).length === Object.keys(after).length
  const entries = Object.entries(after).map(([id, object]) => {
    const old = before[id]
    if (old && (old === object || sameValue(old, object))) return [id, old] as const
    same = false
    return [id, object] as const
  })
  return same ? before : Object.fromEntries(entries)
}
