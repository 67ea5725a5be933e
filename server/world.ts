import { Fault } from '@/core/model/fault'
import { overHttp, type Ask } from '@/services/ask'
import { Surroundings } from '@/services/world-of'

const holder = globalThis as { tallGableSurroundings?: Surroundings }

/**
 * The address of the service that knows addresses, stations, weather and equipment: this server's own made-up world
 * unless another is set.
 * @throws Fault `service-away`
 */
function worldUrl(): string {
  const given = process.env['WORLD_URL']
  if (given) return given
  const origin = process.env['APP_ORIGIN']
  if (!origin) throw new Fault('service-away')
  return `${origin}/world`
}

export const askWorld: Ask = (path, signal) => overHttp(worldUrl())(path, signal)

/** What surrounds every job; remembered by the process. */
export const surroundings = (): Surroundings => (holder.tallGableSurroundings ??= new Surroundings(askWorld))
