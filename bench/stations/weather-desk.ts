import { Fault } from '@/core/model/fault'
import { type WeatherAnswer, type WeatherRequest } from '@/workers/weather-messages'

type Ask = WeatherRequest extends infer R ? (R extends { id: number } ? Omit<R, 'id'> : never) : never
type Wanted<T> = Extract<WeatherAnswer, { type: T }>

/** The weather worker as promises; begun when it is first asked. */
export class WeatherDesk {
  #worker: Worker | null = null
  #last = 0
  readonly #waiting = new Map<
    number,
    { done: (answer: WeatherAnswer) => void; fail: (error: unknown) => void }
  >()

  /** @throws Fault what the worker found wrong */
  async ask<T extends WeatherAnswer['type']>(
    type: T,
    request: Ask,
    transfer: Transferable[] = [],
  ): Promise<Wanted<T>> {
    const worker = (this.#worker ??= this.#begin())
    const id = ++this.#last
    const answer = await new Promise<WeatherAnswer>((done, fail) => {
      this.#waiting.set(id, { done, fail })
      worker.postMessage({ ...request, id }, transfer)
    })
    if (answer.type === 'fault') throw new Fault(answer.fault.code, answer.fault.data, answer.fault.path)
    if (answer.type !== type) throw new RangeError(`${answer.type} came where ${type} was asked for`)
    return answer as Wanted<T>
  }

  stop(): void {
    this.#worker?.terminate()
    this.#worker = null
  }

  #begin(): Worker {
    const worker = new Worker(new URL('../../workers/weather.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<WeatherAnswer>) => {
      this.#waiting.get(data.id)?.done(data)
      this.#waiting.delete(data.id)
    }
    worker.onerror = () => {
      for (const { fail } of this.#waiting.values()) fail(new Fault('worker-stopped'))
      this.#waiting.clear()
      this.stop()
    }
    return worker
  }
}
