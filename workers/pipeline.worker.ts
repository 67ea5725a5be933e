import { Fault } from '@/core/model/fault'
import { Pipeline } from '@/core/pipeline/pipeline'
import { summarise } from '@/core/pipeline/summary'
import { weatherAt } from './fetch-weather'
import { protocolVersion, type RunRequest, type WorkerAnswer, type WorkerRequest } from './messages'

const pipeline = new Pipeline()

/** The newest request; older ones that have not begun are dropped. */
let waiting: RunRequest | null = null
let running = false

const post = (answer: WorkerAnswer, transfer: Transferable[] = []) => self.postMessage(answer, { transfer })

const faultDetail = (error: unknown) =>
  error instanceof Fault
    ? error.toJSON()
    : {
        code: 'unexpected',
        message: error instanceof Error ? error.message : 'The computation stopped.',
        path: '',
      }

async function work(request: RunRequest): Promise<void> {
  try {
    const weather = await weatherAt(request.weatherUrl)
    for (const option of request.options) {
      const start = performance.now()
      try {
        const result = pipeline.run({
          house: request.house,
          option: option.objects,
          catalogue: request.catalogue,
          weather: weather.year,
          weatherKey: weather.key,
          station: request.station,
        })
        const summary = summarise(result)
        const { stepMinutes: _step, ...series } = summary.carpet
        const milliseconds = performance.now() - start
        post(
          { type: 'result', id: request.id, optionId: option.id, summary, milliseconds },
          Object.values(series).map((array) => array.buffer),
        )
      } catch (error) {
        post({ type: 'fault', id: request.id, optionId: option.id, fault: faultDetail(error) })
      }
      // Lets a newer request in between two options.
      await new Promise((done) => setTimeout(done, 0))
      if (waiting) return
    }
  } catch (error) {
    post({ type: 'fault', id: request.id, optionId: null, fault: faultDetail(error) })
  }
}

async function loop(): Promise<void> {
  if (running) return
  running = true
  for (let request = waiting; request; request = waiting) {
    waiting = null
    await work(request)
    post({ type: 'idle', id: request.id })
  }
  running = false
}

self.onmessage = ({ data }: MessageEvent<WorkerRequest>) => {
  if (data.protocol !== protocolVersion) {
    const message = `The page speaks version ${data.protocol}, the worker ${protocolVersion}. Reload the page.`
    post({ type: 'fault', id: data.id, optionId: null, fault: { code: 'wrong-version', message, path: '' } })
    return
  }
  waiting = data
  void loop()
}
