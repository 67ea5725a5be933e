import { applyChange, invertChange } from '../model/change'
import { Fault } from '../model/fault'
import { kindVersions, parseObject, type Change, type Objects } from './documents'
import { isKindName, kindNamed, type AnyObject } from './index'

/** A saved edit as the log of a job keeps it. */
export interface LoggedEdit {
  readonly documentId: string
  /** What it did to the document as it was. */
  readonly change: Change
  /** The versions that its objects were written in, of those kinds; null where they were not kept. */
  readonly kinds: Readonly<Record<string, number>> | null
}

type Documents = Readonly<Record<string, Objects>>

/** States that are kept on the way back: one for so many edits. */
const framesApart = 64

/**
 * The states of a job's documents one edit before the other, from now backwards. Objects are brought up to today's
 * versions as they are met.
 */
export class Film {
  readonly #edits: LoggedEdit[] = []
  /** `#frames[n]`: as it was before the last `n * framesApart` edits. */
  readonly #frames: Documents[]
  #reach = 0
  #torn = false

  /** @param now the documents with all edits that will be added */
  constructor(now: Documents) {
    this.#frames = [now]
  }

  /** How many edits can be taken back. */
  get reach(): number {
    return this.#reach
  }

  /** Whether what lies further back is written in a way that is no longer read. */
  get isTorn(): boolean {
    return this.#torn
  }

  /** Adds edits that came before those that are known. @param edits the newest first */
  add(edits: readonly LoggedEdit[]): void {
    if (this.#torn) return
    for (const edit of edits) {
      const change = changeOfToday(edit)
      if (!change) {
        this.#torn = true
        return
      }
      this.#edits.push({ ...edit, change })
      this.#reach++
    }
  }

  /** The documents before the last `count` edits; those that were made later are empty. @throws RangeError */
  back(count: number): Documents {
    if (!Number.isInteger(count) || count < 0 || count > this.#reach)
      throw new RangeError(`There are ${this.#reach} edits to take back, not ${count}.`)
    const frame = Math.min(Math.floor(count / framesApart), this.#frames.length - 1)
    let documents = this.#frames[frame] ?? {}
    for (let n = frame * framesApart; n < count; n++) {
      const edit = this.#edits[n]
      if (edit)
        documents = {
          ...documents,
          [edit.documentId]: applyChange(documents[edit.documentId] ?? {}, invertChange(edit.change)),
        }
      if ((n + 1) % framesApart === 0) this.#frames[(n + 1) / framesApart] = documents
    }
    return documents
  }
}

/** An edit's objects as they would be written today; null where one can't be read. */
function changeOfToday({ change, kinds }: LoggedEdit): Change | null {
  if (kinds && Object.entries(kinds).every(([name, version]) => kindVersions[name] === version)) return change
  try {
    const read = (object: AnyObject) => objectOfToday(object, kinds)
    return {
      added: mapped(change.added, read),
      removed: mapped(change.removed, read),
      updated: mapped(change.updated, ([from, to]) => [read(from), read(to)] as const),
    }
  } catch (error) {
    if (error instanceof Fault) return null
    throw error
  }
}

/** @throws Fault as `parseObject` */
function objectOfToday(object: AnyObject, kinds: LoggedEdit['kinds']): AnyObject {
  if (kinds) return parseObject(object, object.id, { ...kindVersions, ...kinds })
  // Without a word about its version: the newest that it fits.
  const name: unknown = object.kind
  const newest = isKindName(name) ? kindNamed(name).version : 1
  for (let version = newest; version > 1; version--)
    try {
      return parseObject(object, object.id, { ...kindVersions, [object.kind]: version })
    } catch (error) {
      if (!(error instanceof Fault)) throw error
    }
  return parseObject(object, object.id, { ...kindVersions, [object.kind]: 1 })
}

const mapped = <A, B>(values: Readonly<Record<string, A>>, map: (value: A) => B): Record<string, B> =>
  Object.fromEntries(Object.entries(values).map(([key, value]) => [key, map(value)]))

/** The versions that a change's objects are written in now. */
export function versionsIn({ added, updated, removed }: Change): Record<string, number> {
  const objects = [
    ...Object.values(added),
    ...Object.values(removed),
    ...Object.values(updated).map(([, to]) => to),
  ]
  return Object.fromEntries(objects.map(({ kind }) => [kind, kindNamed(kind).version]))
}
