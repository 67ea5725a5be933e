import { z } from 'zod'
import { parseObject } from '@/core/kinds/documents'
import { Fault } from '@/core/model/fault'
import { changeSchema } from './change-schema'
import { type DocumentStore, type Step } from './documents'

/** Steps that outlive a reload; a session can take back more. */
const mostKept = 60

const stepSchema = z.object({ label: z.string(), changes: z.record(z.string(), changeSchema) })
const keptSchema = z.object({ version: z.literal(1), done: z.array(stepSchema), undone: z.array(stepSchema) })

/** Where steps are kept: of this tab alone, and only as long as it is open. */
export type StepStorage = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>

/**
 * Has what can be taken back and done again outlive a reload of the page. A step that no longer fits, because others have
 * changed its objects since, is left alone when it is taken back, as ever.
 * @returns call it to stop
 */
export function keepSteps(documents: DocumentStore, jobId: string, storage: StepStorage): () => void {
  const key = `steps of ${jobId}`
  const kept = readSteps(storage.getItem(key))
  if (kept) documents.store.setState({ done: kept.done, undone: kept.undone })
  return documents.store.subscribe((now, before) => {
    if (now.done === before.done && now.undone === before.undone) return
    write(storage, key, now.done, now.undone)
  })
}

/** What was kept; null where nothing was, or something else. */
function readSteps(text: string | null): Record<'done' | 'undone', Step[]> | null {
  if (text === null) return null
  try {
    const { done, undone } = keptSchema.parse(JSON.parse(text))
    return { done: done.map(stepOf), undone: undone.map(stepOf) }
  } catch (error) {
    if (error instanceof SyntaxError || error instanceof z.ZodError || error instanceof Fault) return null
    throw error
  }
}

/** @throws Fault for an object that its kind no longer allows */
const stepOf = ({ label, changes }: z.infer<typeof stepSchema>): Step => ({
  label,
  changes: mapped(changes, ({ added, updated, removed }) => ({
    added: mapped(added, parseObject),
    updated: mapped(updated, ([from, to], id) => [parseObject(from, id), parseObject(to, id)] as const),
    removed: mapped(removed, parseObject),
  })),
})

const mapped = <A, B>(
  values: Readonly<Record<string, A>>,
  map: (value: A, key: string) => B,
): Record<string, B> =>
  Object.fromEntries(Object.entries(values).map(([key, value]) => [key, map(value, key)]))

/** Where there is no room for all of them, the latest are worth most. */
function write(storage: StepStorage, key: string, done: readonly Step[], undone: readonly Step[]): void {
  for (let most = mostKept; most >= 1; most = Math.floor(most / 4))
    try {
      storage.setItem(
        key,
        JSON.stringify({ version: 1, done: done.slice(-most), undone: undone.slice(-most) }),
      )
      return
    } catch (error) {
      if (!(error instanceof DOMException)) throw error
    }
  storage.removeItem(key)
}
