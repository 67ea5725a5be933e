import { Fault } from '@/core/model/fault'
import { type MeterAnswer, type ReadMeter } from '@/workers/meter-messages'

/** Longest that a file is read, ms. */
const mostMs = 30_000
const mostBytes = 60_000_000

/**
 * Reads a meter's file in a worker of its own, which ends with it.
 * @throws Fault of `meterFile`, `file-too-large`, `meter-too-slow`, `worker-stopped`
 */
export async function readMeterFile(file: File): Promise<ReadMeter> {
  if (file.size > mostBytes) throw new Fault('meter-too-large', { limit: mostBytes / 1e6 })
  const bytes = await file.arrayBuffer()
  const worker = new Worker(new URL('../../workers/meter.worker.ts', import.meta.url), { type: 'module' })
  let timer: ReturnType<typeof setTimeout> | undefined
  try {
    const answer = await new Promise<MeterAnswer>((done, fail) => {
      worker.onmessage = ({ data }: MessageEvent<MeterAnswer>) => done(data)
      worker.onerror = () => fail(new Fault('worker-stopped'))
      timer = setTimeout(() => fail(new Fault('meter-too-slow')), mostMs)
      worker.postMessage(bytes, [bytes])
    })
    if (answer.fault) throw new Fault(answer.fault.code, answer.fault.data, answer.fault.path)
    return answer.read
  } finally {
    clearTimeout(timer)
    worker.terminate()
  }
}
