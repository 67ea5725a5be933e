import { jest } from '@jest/globals'
import { type Objects } from '@/core/kinds/documents'
import { type RunSummary } from '@/core/readers/summary'
import { catalogue as equipment } from '@/town/equipment'
import { type RunRequest, type WorkerAnswer, type WorkerRequest } from '@/workers/messages'
import { LiveNumbers, type LiveRequest, type WorkerLike } from './live-numbers'

class FakeWorker implements WorkerLike {
  onmessage: WorkerLike['onmessage'] = null
  onerror: WorkerLike['onerror'] = null
  readonly heard: RunRequest[] = []
  overtakings = 0
  ended = false
  postMessage(message: WorkerRequest): void {
    if (message.type === 'run') this.heard.push(message)
    else this.overtakings++
  }
  terminate(): void {
    this.ended = true
  }
  die(): void {
    this.onerror?.({} as ErrorEvent)
  }
  say(data: WorkerAnswer): void {
    this.onmessage?.({ data } as MessageEvent<WorkerAnswer>)
  }
}

const open: LiveNumbers[] = []
afterEach(() => open.splice(0).forEach((live) => live.stop()))

/** Live numbers on these workers, one after the other. */
const liveWith = (...workers: FakeWorker[]): LiveNumbers => {
  const left = [...workers]
  const live = new LiveNumbers(() => {
    const next = left.shift()
    if (!next) throw new Error('one worker more than there should be')
    return next
  }, catalogue)
  open.push(live)
  return live
}

const summary = { ledger: [] } as unknown as RunSummary
const station = { id: 's', name: 'S', distanceM: 1, elevationM: 1, yearSpread: null, standsIn: false }
const catalogue = {
  modules: [],
  inverters: equipment.inverters.slice(0, 2),
  batteries: [],
  optimizers: [],
  rules: [],
  mountings: [],
}
const request = (house: Objects, a: Objects, b: Objects, activeId = 'a'): LiveRequest => ({
  house,
  options: [
    { id: 'a', objects: a },
    { id: 'b', objects: b },
  ],
  activeId,
  station,
  sunMap: null,
  shade: null,
  ranking: null,
  storage: false,
  ranges: false,
})

test('the option on the screen goes first; what has not changed is not asked again', () => {
  const worker = new FakeWorker()
  const live = liveWith(worker)
  const [house, a, b] = [{}, {}, {}]
  live.ask(request(house, a, b, 'b'))
  expect(worker.heard[0]?.options.map((o) => o.id)).toEqual(['b', 'a'])
  worker.say({ type: 'result', id: 1, optionId: 'b', summary })
  worker.say({ type: 'result', id: 1, optionId: 'a', summary })
  worker.say({ type: 'idle', id: 1 })
  expect(live.store.getState().busy).toBe(false)
  live.ask(request(house, {}, b))
  expect(worker.heard[1]?.options.map((o) => o.id)).toEqual(['a'])
  expect(LiveNumbers.fits(live.store.getState().byOption['b'], house, b, JSON.stringify(station))).toBe(true)
})

test('light on the roofs that is the same after an edit is the same thing, and nothing is drawn for it', () => {
  const worker = new FakeWorker()
  const live = liveWith(worker)
  const house = {}
  const panels = { values: Float32Array.of(900, 910), best: 1200 }
  const run = (id: number, objects: Objects, light: number) => {
    live.ask({ ...request(house, objects, {}), sunMap: 'year' })
    const faces = [{ face: { id: 'e0' }, map: { values: Float32Array.of(light, 1100) } }]
    worker.say({ type: 'result', id, optionId: 'a', summary: { ...summary } })
    worker.say({ type: 'sun-map', id, optionId: 'a', span: 'year', faces: faces as never, panels })
    worker.say({ type: 'idle', id })
    return live.store.getState().sunMaps['a']
  }
  const first = run(1, {}, 1000)
  const same = run(2, {}, 1000)
  expect(same?.objects).not.toBe(first?.objects)
  expect(same?.faces).toBe(first?.faces)
  const darker = run(3, {}, 990)
  expect(darker?.faces).not.toBe(first?.faces)
  expect(darker?.faces[0]?.map.values[0]).toBe(990)
  expect(darker?.faces[0]?.face).toBe(first?.faces[0]?.face)
})

test('the light on the roofs is asked for once, and brings no figures a second time', () => {
  const worker = new FakeWorker()
  const live = liveWith(worker)
  const [house, a, b] = [{}, {}, {}]
  live.ask(request(house, a, b))
  worker.say({ type: 'result', id: 1, optionId: 'a', summary })
  worker.say({ type: 'result', id: 1, optionId: 'b', summary })
  worker.say({ type: 'idle', id: 1 })
  expect(worker.heard[0]?.sunMap).toBeNull()
  const numbers = live.store.getState().byOption['a']
  const panels = { values: new Float32Array(), best: 0 }
  const map = { type: 'sun-map', optionId: 'a', faces: [], panels } as const
  live.ask({ ...request(house, a, b), sunMap: 'year' })
  expect(worker.heard[1]).toMatchObject({ sunMap: 'year', options: [{ id: 'a' }] })
  worker.say({ type: 'result', id: 2, optionId: 'a', summary: { ...summary } })
  worker.say({ ...map, id: 2, span: 'year' })
  worker.say({ type: 'idle', id: 2 })
  expect(live.store.getState().byOption['a']).toBe(numbers)
  expect(live.store.getState().sunMaps['a']).toMatchObject({ faces: [], house, objects: a })
  live.ask({ ...request(house, a, b), sunMap: 'year' })
  expect(worker.heard).toHaveLength(2)
  // An option that is not on the screen has none to wait for.
  live.ask({ ...request(house, a, {}), sunMap: 'year' })
  expect(worker.heard[2]).toMatchObject({ sunMap: null, options: [{ id: 'b' }] })
  worker.say({ type: 'idle', id: 3 })
  // Another month is another map.
  live.ask({ ...request(house, a, b), sunMap: 11 })
  expect(worker.heard[3]).toMatchObject({ sunMap: 11 })
})

test('the shade of what is chosen is asked about with it, once, and again for another choice', () => {
  const worker = new FakeWorker()
  const live = liveWith(worker)
  const [house, a, b] = [{}, {}, {}]
  const all = { of: [], heights: false }
  const answer = { type: 'shade', optionId: 'a', light: null, byBoth: null } as const
  live.ask({ ...request(house, a, b), shade: all })
  expect(worker.heard[0]?.shade).toEqual(all)
  worker.say({ type: 'result', id: 1, optionId: 'a', summary })
  worker.say({ type: 'result', id: 1, optionId: 'b', summary })
  worker.say({ ...answer, id: 1, wanted: all, heights: null })
  worker.say({ type: 'idle', id: 1 })
  expect(live.store.getState().shades['a']).toMatchObject({ wanted: all, house, objects: a })
  live.ask({ ...request(house, a, b), shade: { ...all } })
  expect(worker.heard).toHaveLength(1)
  const one = { of: ['array-1'], heights: true }
  live.ask({ ...request(house, a, b), shade: one })
  expect(worker.heard[1]).toMatchObject({ shade: one, options: [{ id: 'a' }] })
  worker.say({ ...answer, id: 2, wanted: one, heights: [] })
  worker.say({ type: 'idle', id: 2 })
  // What is known already with more beside it is not asked for again.
  live.ask({ ...request(house, a, b), shade: { ...one, heights: false } })
  expect(worker.heard).toHaveLength(2)
  // Nobody looks at it any more: it is not asked for, whatever changes.
  live.ask(request(house, {}, b))
  expect(worker.heard[2]?.shade).toBeNull()
})

test('while the worker is busy only the newest state waits; old answers never pass for new ones', () => {
  const worker = new FakeWorker()
  const live = liveWith(worker)
  const house = {}
  const [first, firstOther, last, other] = [{}, {}, {}, {}]
  live.ask(request(house, first, firstOther))
  live.ask(request(house, {}, {}))
  live.ask(request(house, last, other))
  expect(worker.heard).toHaveLength(1)
  // The worker is told each time, so that it may stop between two modules.
  expect(worker.overtakings).toBe(2)
  // What it had done by then is shown, as belonging to the state it was done for.
  worker.say({ type: 'result', id: 1, optionId: 'a', summary })
  const fits = (objects: Objects) =>
    LiveNumbers.fits(live.store.getState().byOption['a'], house, objects, JSON.stringify(station))
  expect([fits(first), fits(last)]).toEqual([true, false])
  worker.say({ type: 'idle', id: 1 })
  expect(worker.heard).toHaveLength(2)
  expect(worker.heard[1]?.options[0]?.objects).toBe(last)
  worker.say({ type: 'result', id: 1, optionId: 'b', summary })
  expect(live.store.getState().byOption['b']).toBeUndefined()
  worker.say({ type: 'fault', id: 2, optionId: 'a', fault: { code: 'x', data: {}, path: '' } })
  expect(live.store.getState().faults['a']?.code).toBe('x')
  // A result for the option mends its fault.
  worker.say({ type: 'result', id: 2, optionId: 'a', summary })
  expect(live.store.getState().faults).toEqual({})
})

test('a worker that dies is replaced and the run repeated, with the newest state where there is one', () => {
  const [one, two, three] = [new FakeWorker(), new FakeWorker(), new FakeWorker()]
  const live = liveWith(one, two, three)
  const [house, a, b] = [{}, {}, {}]
  live.ask(request(house, a, b))
  one.die()
  expect(one.ended).toBe(true)
  expect(two.heard[0]?.options.map((option) => option.objects)).toEqual([a, b])
  const newest = {}
  live.ask(request(house, newest, b))
  two.die()
  expect(three.heard[0]?.options[0]?.objects).toBe(newest)
  // What the dead one still says is not heard.
  two.say({ type: 'result', id: 2, optionId: 'a', summary })
  expect(live.store.getState().byOption).toEqual({})
  three.say({ type: 'result', id: 3, optionId: 'a', summary })
  three.say({ type: 'result', id: 3, optionId: 'b', summary })
  three.say({ type: 'idle', id: 3 })
  expect(live.store.getState()).toMatchObject({ busy: false, faults: {} })
})

test('a state that kills every worker is given up and said; the next one is tried', () => {
  const workers = Array.from({ length: 4 }, () => new FakeWorker())
  const live = liveWith(...workers)
  live.ask(request({}, {}, {}))
  for (const worker of workers.slice(0, 3)) worker.die()
  expect(live.store.getState()).toMatchObject({ busy: false, faults: { a: { code: 'worker-stopped' } } })
  expect(workers[3]?.heard).toHaveLength(0)
  live.ask(request({}, {}, {}))
  expect(workers[3]?.heard).toHaveLength(1)
})

test('a worker that falls silent is replaced; one that says it is working is not', () => {
  jest.useFakeTimers()
  try {
    const [one, two] = [new FakeWorker(), new FakeWorker()]
    const live = liveWith(one, two)
    live.ask(request({}, {}, {}))
    for (let second = 0; second < 60; second++) {
      jest.advanceTimersByTime(1000)
      one.say({ type: 'working', id: 1 })
    }
    expect(one.ended).toBe(false)
    jest.advanceTimersByTime(16_000)
    expect(one.ended).toBe(true)
    expect(two.heard).toHaveLength(1)
    live.stop()
    // Nobody is waited for any more.
    jest.advanceTimersByTime(60_000)
  } finally {
    jest.useRealTimers()
  }
})

test('another station asks again although no document has changed', () => {
  const worker = new FakeWorker()
  const live = liveWith(worker)
  const [house, a, b] = [{}, {}, {}]
  live.ask(request(house, a, b))
  worker.say({ type: 'result', id: 1, optionId: 'a', summary })
  worker.say({ type: 'result', id: 1, optionId: 'b', summary })
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

test('inverters are ranked while somebody looks, until all of the catalogue are known', () => {
  const worker = new FakeWorker()
  const live = liveWith(worker)
  const [house, a, b] = [{}, {}, {}]
  const worth = {
    optimizerId: null,
    atEach: false,
    count: 1,
    acPowerW: 5000,
    dcAc: 1,
    annualKwh: 1,
    clippedKwh: 0,
    price: 1,
    paybackYears: 1,
    npv: 1,
    breaks: null,
  }
  const ranked = (...ids: string[]) =>
    ({ of: 'inverters', all: 2, rows: ids.map((id) => ({ ...worth, id })) }) as const
  live.ask({ ...request(house, a, b), ranking: 'inverters' })
  expect(worker.heard[0]?.ranking).toBe('inverters')
  worker.say({ type: 'result', id: 1, optionId: 'a', summary })
  worker.say({ type: 'result', id: 1, optionId: 'b', summary })
  worker.say({ type: 'ranking', id: 1, optionId: 'a', ranking: ranked('x') })
  expect(live.store.getState().rankings['a']).toMatchObject({ house, objects: a, ranking: ranked('x') })
  worker.say({ type: 'idle', id: 1 })
  // Given up half way it is asked for again.
  live.ask({ ...request(house, a, b), ranking: 'inverters' })
  expect(worker.heard).toHaveLength(2)
  worker.say({
    type: 'ranking',
    id: 2,
    optionId: 'a',
    ranking: ranked('y', 'x'),
  })
  worker.say({ type: 'idle', id: 2 })
  live.ask({ ...request(house, a, b), ranking: 'inverters' })
  expect(worker.heard).toHaveLength(2)
  // Other strings are another question.
  live.ask({ ...request(house, a, b), ranking: 'strings' })
  expect(worker.heard[2]?.ranking).toBe('strings')
  worker.say({ type: 'ranking', id: 3, optionId: 'a', ranking: { of: 'strings', all: 0, rows: [] } })
  worker.say({ type: 'idle', id: 3 })
  live.ask({ ...request(house, a, b), ranking: 'strings' })
  expect(worker.heard).toHaveLength(3)
  // Another option on the screen has a ranking of its own.
  live.ask({ ...request(house, {}, b), ranking: null, storage: false, ranges: false })
  expect(worker.heard[3]?.ranking).toBeNull()
})
