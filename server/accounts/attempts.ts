import { Fault } from '@/core/model/fault'
import { transaction } from '../database'
import { maybeOneFailure, removeFailures, storeFailures } from '../sql/accounts'

/** Failures in a row that cost nothing; after each more one waits, twice as long as before, an hour at most. */
const freeFailures = 5
const firstWaitMs = 30_000
const longestWaitMs = 3_600_000

/** Milliseconds that one waits after so many failures in a row. */
export const waitMs = (failures: number): number =>
  failures < freeFailures ? 0 : Math.min(longestWaitMs, firstWaitMs * 2 ** (failures - freeFailures))

/**
 * Counts an attempt at a password before anything is looked at, so that many at once get no more than their number.
 * @param digest of what is attempted: a mail address, whether there is an account or not; a link
 * @throws Fault `sign-in-locked` with the time left
 */
export const countAttempt = (digest: string): Promise<void> =>
  transaction('count attempt', async (runner) => {
    const before = await maybeOneFailure(digest, runner)
    const left = before ? waitMs(before.failures) - before.ago : 0
    if (left > 0)
      throw new Fault('sign-in-locked', {
        minutes: Math.ceil(left / 60_000),
        seconds: Math.ceil(left / 1000),
      })
    // What is long ago is forgiven.
    const failures = before && before.ago < 24 * longestWaitMs ? before.failures : 0
    await storeFailures(digest, failures + 1, runner)
  })

/** One that went well wipes the slate. */
export const forgetAttempts = (digest: string) => removeFailures(digest)
