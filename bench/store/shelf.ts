import { createStore, delMany, entries, get, del, set, type UseStore } from 'idb-keyval'
import { type OutboxShelf, type PendingEdit, type ShelvedEdit } from './outbox'

/**
 * The browser's shelf in IndexedDB, shared by all tabs: one record an edit, which says whose job it is and which tab put
 * it there. What a tab that is gone has left is taken by the first that looks.
 */

interface Entry {
  readonly jobId: string
  readonly tab: string
  /** Order among the edits of a job. */
  readonly order: number
  readonly shelved: ShelvedEdit
}

let opened: UseStore | null = null
const store = () => (opened ??= createStore('tall-gable-shelf', 'edits'))

const nameOf = (tab: string) => `tall-gable tab ${tab}`

/** Says that a tab is there, until it is let go or the page is closed. */
function holdTab(tab: string): () => void {
  let release = () => {}
  void navigator.locks?.request(nameOf(tab), () => new Promise<void>((done) => (release = done)))
  return () => release()
}

async function tabsThere(): Promise<ReadonlySet<string>> {
  const { held = [] } = (await navigator.locks?.query()) ?? {}
  return new Set(held.map(({ name = '' }) => name))
}

/** Runs work while no other tab of this browser does work of the same name. */
export const aloneAmongTabs =
  (name: string) =>
  <T>(work: () => Promise<T>): Promise<T> =>
    navigator.locks ? navigator.locks.request(`tall-gable ${name}`, work) : work()

/** Edits that an earlier version of this application kept under one key a job. */
async function fromBefore(jobId: string): Promise<PendingEdit[]> {
  const key = `outbox:${jobId}`
  const edits = await get<PendingEdit[]>(key)
  return edits ?? []
}

/** A shelf that others may take from once it is released. */
export interface HeldShelf extends OutboxShelf {
  readonly release: () => void
}

export function browserShelf(jobId: string, tab: string): HeldShelf {
  const release = holdTab(tab)
  let count = Date.now() * 1000
  const places = new Map<string, number>()
  const put = async (shelved: ShelvedEdit) => {
    const { id } = shelved.edit
    const order = places.get(id) ?? ++count
    places.set(id, order)
    await set(id, { jobId, tab, order, shelved } satisfies Entry, store())
  }
  return {
    release,
    put,
    remove: async (ids) => {
      for (const id of ids) places.delete(id)
      await delMany([...ids], store())
    },
    adopt: () =>
      aloneAmongTabs(`shelf ${jobId}`)(async () => {
        const there = await tabsThere()
        const all = await entries<string, Entry>(store())
        const left = all
          .map(([, entry]) => entry)
          .filter((entry) => entry.jobId === jobId && (entry.tab === tab || !there.has(nameOf(entry.tab))))
          .sort((a, b) => a.order - b.order)
        for (const { shelved, order } of left) {
          places.set(shelved.edit.id, order)
          await put(shelved)
        }
        const before = await fromBefore(jobId)
        const waiting = before.map((edit): ShelvedEdit => ({ state: 'waiting', edit }))
        for (const one of waiting) await put(one)
        if (before.length > 0) await del(`outbox:${jobId}`)
        return [...waiting, ...left.map(({ shelved }) => shelved)]
      }),
  }
}
