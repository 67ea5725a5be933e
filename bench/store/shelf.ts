import { get, set } from 'idb-keyval'
import { type OutboxShelf, type PendingEdit } from './outbox'

/** The outbox's shelf in the browser's IndexedDB, one to a job. */
export const browserShelf = (jobId: string): OutboxShelf => ({
  load: async () => (await get<readonly PendingEdit[]>(`outbox:${jobId}`)) ?? [],
  store: (edits) => set(`outbox:${jobId}`, edits),
})
