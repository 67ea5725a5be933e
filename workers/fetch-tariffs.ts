import { type TariffForm } from '@/core/kinds/tariff/form'
import { Fault } from '@/core/model/fault'
import { siteIn, type World } from '@/core/stages/world'
import { overHttp } from '@/services/ask'
import { tariffsAt } from '@/services/world'

/** Longest that the worker waits for them: it does nothing else meanwhile. */
const longestMs = 4000

const known = new Map<string, Promise<readonly TariffForm[]>>()

/** What utilities offer where a house stands, asked for once; none while nobody answers. */
export function tariffsOf(world: World): Promise<readonly TariffForm[]> {
  const { latitudeDeg, longitudeDeg } = siteIn(world)
  const place = `${latitudeDeg} ${longitudeDeg}`
  let found = known.get(place)
  if (!found) {
    const signal = AbortSignal.timeout(longestMs)
    found = tariffsAt(overHttp('/world'), { latitudeDeg, longitudeDeg }, signal).catch((error: unknown) => {
      // A failure is not remembered: the next run asks again.
      known.delete(place)
      if (error instanceof Fault || signal.aborted) return []
      throw error
    })
    known.set(place, found)
  }
  return found
}
