import { type LineDrawing } from '@/core/imports/line-drawing'
import { Fault } from '@/core/model/fault'
import { type DrawingAnswer } from '@/workers/drawing-messages'

/** Longest that a drawing is read, ms. */
const mostMs = 30_000

/**
 * Reads a drawing in a worker of its own, which ends with it.
 * @throws Fault of `dxfLines`, `drawing-too-slow`, `worker-stopped`
 */
export async function readDrawing(bytes: ArrayBuffer): Promise<LineDrawing> {
  const worker = new Worker(new URL('../../workers/drawing.worker.ts', import.meta.url), { type: 'module' })
  let timer: ReturnType<typeof setTimeout> | undefined
  try {
    const answer = await new Promise<DrawingAnswer>((done, fail) => {
      worker.onmessage = ({ data }: MessageEvent<DrawingAnswer>) => done(data)
      worker.onerror = () => fail(new Fault('worker-stopped'))
      timer = setTimeout(() => fail(new Fault('drawing-too-slow')), mostMs)
      worker.postMessage(bytes, [bytes])
    })
    if (answer.fault) throw new Fault(answer.fault.code, answer.fault.data, answer.fault.path)
    return answer.drawing
  } finally {
    clearTimeout(timer)
    worker.terminate()
  }
}
