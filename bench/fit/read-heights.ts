import { type FoundAround } from '@/core/fit/around'
import { type FitAnswer, type FitRequest } from '@/workers/fit-messages'
import { askOwnWorker } from '../own-worker'

/** Longest that heights are read, ms. */
const mostMs = 60_000

/**
 * Reads the buildings in a height raster in a worker of its own, which ends with it or when it is stopped.
 * @param tell hears the share of the work that is done
 * @returns null where it was stopped
 * @throws Fault of `fitAround`, `fit-too-slow`, `worker-stopped`
 */
export async function readHeights(
  request: FitRequest,
  tell: (share: number) => void,
  stopped: AbortSignal,
): Promise<FoundAround | null> {
  const answer = await askOwnWorker<FitAnswer>(request, {
    transfer: [request.heights, ...(request.second ? [request.second.heights] : [])],
    mostMs,
    tooSlow: 'fit-too-slow',
    tell,
    stopped,
  })
  return answer?.found ?? null
}
