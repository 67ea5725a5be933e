import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { tileAt } from '@/core/geometry/geo'
import { theOne } from '@/core/kinds/documents'
import { parseJob, type Job } from '@/core/kinds/job'
import { siteId } from '@/core/kinds/site/site'
import { log } from './log'
import { askWorld } from './world'

/** Rings of tiles that a page asks for: zoom, and how many around the middle. */
const rings = [
  [20, 2],
  [18, 1],
] as const

/** Between two pieces of work, so that visitors come first. */
const restMs = 20

/** Has at hand what the first visitor will ask for: the pages and the shipped job's aerial sheet. */
export async function warmUp(): Promise<void> {
  try {
    await answering()
    // Nobody is let in by these, but the code behind them is loaded.
    for (const path of ['', 'jobs/none', `offer/${'-'.repeat(43)}`, 'api/jobs/none', 'api/events', 'metrics'])
      await (await fetch(`${process.env['APP_ORIGIN']}/${path}`, { redirect: 'manual' })).text()
    const job = shippedJob()
    const site = theOne(job.house, 'site', siteId)
    for (const [z, around] of rings) {
      const middle = tileAt(site, z)
      for (let x = -around; x <= around; x++)
        for (let y = -around; y <= around; y++) {
          await pause(restMs)
          await (await askWorld(`tiles/${z}/${middle.x + x}/${middle.y + y}.png`)).text()
        }
    }
  } catch (error) {
    // Only a head start: everything is made again when it is asked for.
    log.warn({ error: error instanceof Error ? error.message : 'unknown' }, 'warm-up')
  }
}

/** The job that every new installation begins with. */
export function shippedJob(): Job {
  const file = join(/* turbopackIgnore: true */ process.cwd(), 'samples', 'shipped-job.json')
  return parseJob(JSON.parse(readFileSync(file, 'utf8')))
}

/** Waits until the application answers what it is asked. */
export async function answering(): Promise<void> {
  for (let i = 0; i < 100; i++) {
    const answer = await askWorld('catalogue').catch(() => null)
    if (answer?.status === 200) return
    await pause(200)
  }
}
