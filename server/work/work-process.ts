import { availableParallelism } from 'node:os'
import { closeDatabase } from '../database'
import { closeCompute } from '../compute/compute'
import { log } from '../log'
import { printer } from '../print/printer'
import { doers } from './doers'
import { warmWorker } from './warm'
import { Worker } from './worker'

/** A process that does long work, beside the application or on a machine of its own, until it is told to end. */

/** Pages that the printing browser has open at once. */
const pages = 2

const worker = new Worker({
  doers,
  atOnce: { compute: Math.max(1, availableParallelism() - 1), print: pages },
})

let isEnding = false
async function end(): Promise<void> {
  if (isEnding) return
  isEnding = true
  await worker.stop().catch((error: unknown) => log.warn({ error: String(error) }, 'worker stop'))
  printer().end()
  await Promise.all([closeCompute(), closeDatabase()]).catch(() => undefined)
  process.exit(0)
}

for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const) process.on(signal, () => void end())
worker.start()
log.info('worker')
void warmWorker()
