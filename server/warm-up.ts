import { tileAt } from '@/core/geometry/geo'
import { stationsNear, stationWeather } from '@/town/stations'
import { saltmarshJob } from '@/town/shipped-job'
import { townMap } from '@/town/town-map'
import { townNamed } from '@/town/towns'
import { log } from './log'
import { summaryOf } from './job-summary'
import { tileOf } from './tile-store'

const pause = () => new Promise((done) => setTimeout(done, 20))

/** Has at hand what the first visitor will ask for: the shipped job's weather, numbers and aerial sheet. */
export async function warmUp(): Promise<void> {
  try {
    const job = saltmarshJob()
    const site = job.house['site']
    const town = site?.kind === 'site' ? townNamed(site.town) : undefined
    if (site?.kind !== 'site' || !town) return
    const nearest = stationsNear(site)[0]
    if (nearest) stationWeather(nearest.station.id)
    await pause()
    await summaryOf('', job)
    const map = townMap(town)
    for (const [z, around] of [
      [20, 2],
      [18, 1],
    ] as const) {
      const middle = tileAt(site, z)
      for (let x = -around; x <= around; x++)
        for (let y = -around; y <= around; y++) {
          await pause()
          await tileOf(map, { z, x: middle.x + x, y: middle.y + y })
        }
    }
  } catch (error) {
    // Only a head start: everything is made again when it is asked for.
    log.warn({ error: error instanceof Error ? error.message : 'unknown' }, 'warm-up')
  }
}
