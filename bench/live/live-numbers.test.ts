import { type Objects } from '@/core/model/document'
import { type RunSummary } from '@/core/pipeline/summary'
import { type RunRequest } from '@/workers/messages'
import { LiveNumbers, type LiveRequest, type WorkerLike } from './live-numbers'

class FakeWorker implements WorkerLike {
  onmessage: WorkerLike['onmessage'] = null
  readonly heard: RunRequest[] = []
  postMessage(message: RunRequest): void {
    this.heard.push(message)
  }
  terminate(): void {}
  say(data: Parameters<NonNullable<WorkerLike['onmessage']>>[0]['data']): void {
    this.onmessage?.({ data } as MessageEvent)
  }
}

const summary = { ledger: [] } as unknown as RunSummary
const station = { id: 's', name: 'S', distanceM: 1, elevationM: 1, yearSpread: null, standsIn: false }
const catalogue = { modules: [], inverters: [], batteries: [] }
const request = (house: Objects, a: Objects, b: Objects, activeId = 'a'): LiveRequest => ({
  house,
  options: [
    { id: 'a', objects: a },
    { id: 'b', objects: b },
  ],
  activeId,
  station,
})

test('the option on the screen goes first; what has not changed is not asked again', () => {
  const worker = new FakeWorker()
  const live = new LiveNumbers(worker, catalogue)
  const [house, a, b] = [{}, {}, {}]
  live.ask(request(house, a, b, 'b'))
  expect(worker.heard[0]?.options.map((o) => o.id)).toEqual(['b', 'a'])
  worker.say({ type: 'result', id: 1, optionId: 'b', summary, milliseconds: 1 })
  worker.say({ type: 'result', id: 1, optionId: 'a', summary, milliseconds: 1 })
  worker.say({ type: 'idle', id: 1 })
  expect(live.store.getState().busy).toBe(false)
  live.ask(request(house, {}, b))
  expect(worker.heard[1]?.options.map((o) => o.id)).toEqual(['a'])
  expect(LiveNumbers.fits(live.store.getState().byOption['b'], house, b, JSON.stringify(station))).toBe(true)
})

test('while the worker is busy only the newest state waits; old answers never overwrite', () => {
  const worker = new FakeWorker()
  const live = new LiveNumbers(worker, catalogue)
  const house = {}
  live.ask(request(house, {}, {}))
  const [last, other] = [{}, {}]
  live.ask(request(house, {}, {}))
  live.ask(request(house, last, other))
  expect(worker.heard).toHaveLength(1)
  worker.say({ type: 'result', id: 1, optionId: 'a', summary, milliseconds: 1 })
  expect(worker.heard).toHaveLength(2)
  expect(worker.heard[1]?.options[0]?.objects).toBe(last)
  expect(LiveNumbers.fits(live.store.getState().byOption['a'], house, last, JSON.stringify(station))).toBe(
    false,
  )
  worker.say({ type: 'result', id: 1, optionId: 'b', summary, milliseconds: 1 })
  expect(live.store.getState().byOption['b']).toBeUndefined()
  worker.say({ type: 'fault', id: 2, optionId: 'a', fault: { code: 'x', message: 'No.', path: '' } })
  expect(live.store.getState().faults['a']?.message).toBe('No.')
})

test('another station asks again although no document has changed', () => {
  const worker = new FakeWorker()
  const live = new LiveNumbers(worker, catalogue)
  const [house, a, b] = [{}, {}, {}]
  live.ask(request(house, a, b))
  worker.say({ type: 'result', id: 1, optionId: 'a', summary, milliseconds: 1 })
  worker.say({ type: 'result', id: 1, optionId: 'b', summary, milliseconds: 1 })
  worker.say({ type: 'idle', id: 1 })
  live.ask(request(house, a, b))
  expect(worker.heard).toHaveLength(1)
  const other = { ...station, id: 'file-abc' }
  live.ask({ ...request(house, a, b), station: other })
  expect(worker.heard[1]?.options.map((o) => o.id)).toEqual(['a', 'b'])
  expect(worker.heard[1]?.weatherUrl).toBe('/api/weather/abc')
  const { byOption, stationKey } = live.store.getState()
  expect(LiveNumbers.fits(byOption['a'], house, a, stationKey)).toBe(false)
})
