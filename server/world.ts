import { type Catalogue } from '@/core/electrical/catalogue'
import { Fault } from '@/core/model/fault'
import { overHttp, type Ask } from '@/services/ask'
import { Surroundings } from '@/services/world-of'
import { log } from './log'

const holder = globalThis as { tallGableSurroundings?: Surroundings }

/**
 * The address of the service that knows addresses, stations, weather and equipment: this server's own made-up world
 * unless another is set.
 * @throws Fault `service-away`
 */
export function worldUrl(): string {
  const given = process.env['WORLD_URL']
  if (given) return given
  const origin = process.env['APP_ORIGIN']
  if (!origin) throw new Fault('service-away')
  return `${origin}/world`
}

export const askWorld: Ask = (path, signal) => overHttp(worldUrl())(path, signal)

/** What surrounds every job; remembered by the process. */
export const surroundings = (): Surroundings => (holder.tallGableSurroundings ??= new Surroundings(askWorld))

/** What can be bought; null while the service that knows it is away. Edits are saved all the same then. */
export const knownCatalogue = (): Promise<Catalogue | null> =>
  surroundings()
    .catalogue()
    .catch((error: unknown) => {
      log.debug({ error: error instanceof Error ? error.message : 'unknown' }, 'no catalogue')
      return null
    })
