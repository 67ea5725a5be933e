import { type FoundAround } from '@/core/fit/around'
import { Fault } from '@/core/model/fault'
import { type FitAnswer, type FitRequest } from '@/workers/fit-messages'

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
  if (stopped.aborted) return null
  const worker = new Worker(new URL('../../workers/chain.worker.ts', import.meta.url), { type: 'module' })
  let timer: ReturnType<typeof setTimeout> | undefined
  try {
    const answer = await new Promise<Exclude<FitAnswer, { share: number }> | null>((done, fail) => {
      worker.onmessage = ({ data }: MessageEvent<FitAnswer>) => {
        if ('share' in data) tell(data.share)
        else done(data)
      }
      worker.onerror = () => fail(new Fault('worker-stopped'))
      timer = setTimeout(() => fail(new Fault('fit-too-slow')), mostMs)
      stopped.addEventListener('abort', () => done(null))
      worker.postMessage(request, [request.heights])
    })
    if (answer?.fault) throw new Fault(answer.fault.code, answer.fault.data, answer.fault.path)
    return answer?.found ?? null
  } finally {
    clearTimeout(timer)
    worker.terminate()
  }
}
