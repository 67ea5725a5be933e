import { Fault, type FaultDetail } from '@/core/model/fault'
import { type AfterRequest, type MadeRequest } from '@/workers/after-messages'
import { type BestRequest } from '@/workers/best-messages'
import { type FitRequest } from '@/workers/fit-messages'

/** An answer that ends the work, or says how far it is. */
type Said = { readonly share: number } | { readonly fault: FaultDetail | null }
type Final<A extends Said> = Exclude<A, { readonly share: number }>

/**
 * Asks one thing of a worker of its own, which ends with it or when it is stopped.
 * @param mostMs longest that is waited
 * @param tell hears the share of the work that is done
 * @returns null where it was stopped
 * @throws Fault of the answer, `too-slow`, `worker-stopped`
 */
export async function askOwnWorker<A extends Said>(
  request: FitRequest | AfterRequest | MadeRequest | BestRequest,
  {
    transfer,
    mostMs,
    tooSlow,
    tell = () => undefined,
    stopped,
  }: {
    readonly transfer: Transferable[]
    readonly mostMs: number
    readonly tooSlow: string
    readonly tell?: (share: number) => void
    readonly stopped: AbortSignal
  },
): Promise<Final<A> | null> {
  if (stopped.aborted) return null
  const worker = new Worker(new URL('../workers/chain.worker.ts', import.meta.url), { type: 'module' })
  let timer: ReturnType<typeof setTimeout> | undefined
  try {
    const answer = await new Promise<Final<A> | null>((done, fail) => {
      worker.onmessage = ({ data }: MessageEvent<A>) => {
        if ('share' in data) tell(data.share)
        else done(data as Final<A>)
      }
      worker.onerror = () => fail(new Fault('worker-stopped'))
      timer = setTimeout(() => fail(new Fault(tooSlow)), mostMs)
      stopped.addEventListener('abort', () => done(null))
      worker.postMessage(request, transfer)
    })
    const fault = answer && 'fault' in answer ? answer.fault : null
    if (fault) throw new Fault(fault.code, fault.data, fault.path)
    return answer
  } finally {
    clearTimeout(timer)
    worker.terminate()
  }
}
