import { deletedKeptDays } from '@/core/model/job-status'
import { log } from './log'
import { removeOldFailures } from './sql/accounts'
import { writeMissingWords } from './sql/job-words'
import { removeDeleted } from './sql/jobs'
import { removeOldLinks } from './sql/mailed-links'
import { removeOldSignIns } from './sql/sign-ins'

/** Work on the stored jobs that nobody waits for. */

const everyMs = 6 * 3600_000
const firstMs = 5000

/** Does a few at a time, so that nobody waits behind it. @returns how many in all */
async function toTheEnd(few: () => Promise<number>): Promise<number> {
  let count = 0
  for (let done = 1; done > 0; count += done) done = await few()
  return count
}

/** Makes jobs from before findable, and removes for good what was deleted or ran out long ago. */
export const tidy = async () => ({
  worded: await toTheEnd(writeMissingWords),
  removed: await toTheEnd(() => removeDeleted(deletedKeptDays)),
  signIns: await toTheEnd(removeOldSignIns),
  links: await toTheEnd(removeOldLinks),
  failures: await toTheEnd(removeOldFailures),
})

/** Does so now and then, for as long as this process lives; several that do it get in nobody's way. */
export function keepTidying(): void {
  const go = () => {
    tidy()
      .then((done) => log.info(done, 'tidied'))
      .catch((error: unknown) =>
        log.warn({ error: error instanceof Error ? error.message : 'unknown' }, 'not tidied'),
      )
      .finally(() => setTimeout(go, everyMs).unref())
  }
  setTimeout(go, firstMs).unref()
}
