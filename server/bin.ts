import { deletedKeptDays } from '@/core/model/job-status'
import { log } from './log'
import { removeDeleted } from './sql/jobs'

const everyMs = 6 * 3600_000
const firstMs = 60_000

/** Removes for good what was deleted long ago, a few jobs at a time so that nobody waits for it. */
export async function emptyBin(): Promise<number> {
  let count = 0
  for (let removed = 1; removed > 0; count += removed) removed = await removeDeleted(deletedKeptDays)
  return count
}

/** Does so now and then, for as long as this process lives; several that do it get in nobody's way. */
export function keepEmptyingBin(): void {
  const go = () => {
    emptyBin()
      .then((count) => count > 0 && log.info({ count }, 'deleted jobs are gone'))
      .catch((error: unknown) =>
        log.warn({ error: error instanceof Error ? error.message : 'unknown' }, 'deleted jobs'),
      )
      .finally(() => setTimeout(go, everyMs).unref())
  }
  setTimeout(go, firstMs).unref()
}
