import { catalogue } from '@/town/equipment'
import { saltmarshJob } from '@/town/shipped-job'
import { stationEpw } from '@/town/stations'
import { rack } from '@/town/testing'
import { protocolVersion, type RunRequest, type WorkerAnswer, type WorkerRequest } from './messages'

const answers: WorkerAnswer[] = []
const asked: string[] = []
let heard: () => void = () => undefined
/** What a worker finds around itself. */
const scope = {
  onmessage: null as ((event: { data: unknown }) => void) | null,
  postMessage(answer: WorkerAnswer) {
    // It says now and then that it is still at it.
    if (answer.type === 'working') return
    // As it crosses: copied, and nothing that cannot be copied.
    answers.push(structuredClone(answer))
    heard()
  },
}
const files: Readonly<Record<string, string | undefined>> = {
  '/near.epw': stationEpw('pellworth-pier'),
  '/broken.epw': 'LOCATION,nowhere',
}
let online = true
Object.assign(globalThis, {
  self: scope,
  fetch: async (url: string) => {
    asked.push(url)
    if (url === '/cut.epw')
      return new Response(new ReadableStream({ pull: (c) => c.error(new TypeError('cut')) }))
    if (!online) throw new TypeError('fetch failed')
    const text = files[url]
    return text === undefined ? new Response('', { status: 404 }) : new Response(text)
  },
})
await import('./chain.worker')

const job = saltmarshJob()
const options = job.options.map(({ id, objects }) => ({ id, objects }))
const run = (id: number, fields: Partial<RunRequest> = {}): RunRequest => ({
  type: 'run',
  protocol: protocolVersion,
  id,
  house: job.house,
  options,
  catalogue,
  station: {
    id: 'pellworth-pier',
    name: 'Pier',
    distanceM: 1,
    elevationM: 1,
    yearSpread: null,
    standsIn: false,
  },
  weatherUrl: '/near.epw',
  sunMap: null,
  shade: null,
  ranking: null,
  storage: false,
  ranges: false,
  ...fields,
})
const send = (request: WorkerRequest) => scope.onmessage?.({ data: request })
/** The answers up to the one that a run is over. */
const idle = (id: number) =>
  new Promise<WorkerAnswer[]>((done) => {
    heard = () => {
      if (answers.some((answer) => answer.type === 'idle' && answer.id === id)) done([...answers])
    }
    heard()
  })

beforeEach(() => {
  answers.length = asked.length = 0
  online = true
})

/** What was answered; that it is still at work is said by the clock alone. */
const shapes = (list: readonly WorkerAnswer[]) =>
  list
    .filter(({ type }) => type !== 'working')
    .map((answer) => `${answer.type} ${answer.id} ${'optionId' in answer ? answer.optionId : ''}`.trim())

test('each option has its result, the one asked for first goes first, and it can be asked again', async () => {
  send(run(1))
  const all = await idle(1)
  expect(shapes(all)).toEqual(['result 1 option-a', 'result 1 option-b', 'idle 1'])
  const [first] = all
  if (first?.type !== 'result') throw new Error('no result')
  expect(first.summary.count).toBe(17)
  expect(first.summary.ledger.find((line) => line.id === 'yield')?.value).toBeGreaterThan(5000)
  // The worker keeps what it has sent: asked again it computes nothing.
  answers.length = 0
  send(run(101))
  const [again] = await idle(101)
  if (again?.type !== 'result') throw new Error('no result')
  expect(again.summary.times.filter(({ fresh }) => fresh > 0)).toEqual([])
  expect({ ...again.summary, times: [] }).toEqual({ ...first.summary, times: [] })
})

test('the light on the roofs follows the figures of all options, for the one on the screen, where it is asked for', async () => {
  send(run(40, { sunMap: 'year' }))
  const all = await idle(40)
  expect(shapes(all)).toEqual(['result 40 option-a', 'result 40 option-b', 'sun-map 40 option-a', 'idle 40'])
  const map = all.find(({ type }) => type === 'sun-map')
  if (map?.type !== 'sun-map') throw new Error('no map')
  expect(map.faces.length).toBeGreaterThan(3)
  for (const { face, map: own } of map.faces) {
    expect(own.values).toHaveLength(own.columns * own.rows)
    const most = own.values.reduce((a, b) => Math.max(a, b), 0)
    expect(most).toBeLessThanOrEqual(own.open * 1.000001)
    expect(most).toBeGreaterThan(face.pitchDeg > 0 ? 0.5 * own.open : 0)
  }
  expect(map.panels.values).toHaveLength(17)
  // A month is a part of it.
  answers.length = 0
  send(run(43, { sunMap: 11 }))
  const december = (await idle(43)).find(({ type }) => type === 'sun-map')
  if (december?.type !== 'sun-map') throw new Error('no map')
  expect(december.faces).toHaveLength(map.faces.length)
  expect(december.panels.best).toBeLessThan(map.panels.best / 12)
  // Hours of sun a day are no light: fewer than the day is long.
  answers.length = 0
  send(run(44, { sunMap: 'hours-dec-feb' }))
  const winter = (await idle(44)).find(({ type }) => type === 'sun-map')
  if (winter?.type !== 'sun-map') throw new Error('no map')
  expect(winter.span).toBe('hours-dec-feb')
  expect(winter.faces).toHaveLength(map.faces.length)
  expect(winter.panels.best).toBeGreaterThan(7)
  expect(winter.panels.best).toBeLessThan(9.8)
  for (const { map: own } of winter.faces) expect(own.open).toBeLessThan(9.8)
  // The sunniest looks south.
  const best = map.faces.reduce((a, b) => (b.map.open > a.map.open ? b : a))
  expect(Math.abs(best.face.azimuthDeg - 180)).toBeLessThan(45)
})

test('the shade that is asked about comes before the light on the roofs; null where nothing is laid', async () => {
  send(run(41, { shade: { of: [], heights: true }, sunMap: 'year' }))
  const all = await idle(41)
  expect(shapes(all).slice(2)).toEqual([
    'shade 41 option-a',
    'shade 41 option-a',
    'sun-map 41 option-a',
    'idle 41',
  ])
  const [first, found] = all.filter(({ type }) => type === 'shade')
  expect(first).toMatchObject({ heights: null })
  if (found?.type !== 'shade' || !found.light) throw new Error('no light')
  expect(found.light.modules).toBe(17)
  expect(found.light.shade).toHaveLength(8760)
  expect(found.heights).toEqual([])
  answers.length = 0
  send(run(42, { shade: { of: ['no-such-array'], heights: false } }))
  const other = (await idle(42)).find((answer) => answer.type === 'shade')
  expect(other).toMatchObject({ optionId: 'option-a', light: null, heights: null })
})

test('inverters are tried one after the other, the best so far first each time', async () => {
  send(run(51, { ranking: 'inverters' }))
  const told = (await idle(51)).flatMap((answer) => (answer.type === 'ranking' ? [answer.ranking] : []))
  const last = told.at(-1)
  if (last?.of !== 'inverters') throw new Error('inverters were asked about')
  expect(told.map(({ rows }) => rows.length)).toEqual(Array.from({ length: last.all }, (_, k) => k + 1))
  // Some of them by two as well.
  expect(last.all).toBeGreaterThan(catalogue.inverters.length)
  expect([...new Set(last.rows.map(({ id }) => id))].sort()).toEqual(
    catalogue.inverters.map(({ id }) => id).sort(),
  )
})

test('the curves of the inputs are told of one interval, none of one in the dark', async () => {
  for (const [id, interval, inputs] of [
    [53, 4500, 2],
    [54, 4500 - 12, 0],
  ] as const) {
    const of = `curves ${interval}` as const
    send(run(id, { ranking: of }))
    const told = (await idle(id))
      .flatMap((answer) => (answer.type === 'ranking' ? [answer.ranking] : []))
      .at(-1)
    expect(told).toMatchObject({ of, all: inputs })
    expect(told?.rows).toHaveLength(inputs)
  }
})

test('ways to string are tried one after the other, with how many there are', async () => {
  send(run(52, { ranking: 'strings' }))
  const told = (await idle(52)).flatMap((answer) => (answer.type === 'ranking' ? [answer.ranking] : []))
  const all = told[0]?.all ?? 0
  expect(all).toBeGreaterThan(3)
  expect(told.map(({ of, rows }) => [of, rows.length])).toEqual(
    Array.from({ length: all }, (_, k) => ['strings', k + 1]),
  )
})

test('batteries are tried one size after the other, then what further storage would be worth', async () => {
  send(run(61, { storage: true }))
  const told = (await idle(61)).filter((answer) => answer.type === 'storage')
  // The shipped inverter is no hybrid: DC-coupled ones are not tried.
  const sizes = 1 + 3 * catalogue.batteries.filter(({ dcSide }) => !dcSide).length
  expect(told.map(({ picture }) => picture.worths.length)).toEqual([
    ...Array.from({ length: sizes }, (_, k) => k + 1),
    sizes,
  ])
  expect(told.at(-2)?.picture.steps).toBeNull()
  expect(told.at(-1)?.picture.steps).toHaveLength(10)
})

test('where an offer may end up is told once, after the figures', async () => {
  send(run(71, { ranges: true }))
  const all = await idle(71)
  const told = all.filter((answer) => answer.type === 'ranges')
  expect(told).toHaveLength(1)
  expect(told[0]).toMatchObject({ optionId: 'option-a', ranges: { trials: 1000 } })
  expect(all.findIndex(({ type }) => type === 'ranges')).toBeGreaterThan(
    all.findIndex(({ type }) => type === 'result'),
  )
})

test('a run that is overtaken is let go of between two options; of those waiting only the newest is done', async () => {
  send(run(2))
  send(run(3))
  send(run(4))
  const all = await idle(4)
  expect(shapes(all)).toContain('result 4 option-b')
  expect(shapes(all)).not.toContain('result 2 option-b')
  expect(shapes(all).some((shape) => shape.includes(' 3'))).toBe(false)
})

/** The shipped house with its modules laid so close that a run takes its time. */
const slow = (id: number): RunRequest => {
  const objects = {
    ...options[0]?.objects,
    'rack-1': { ...rack, rows: 6, columns: 20, center: [0, -40] as const },
  }
  return run(id, { options: [...options.slice(1), { id: 'slow', objects }] })
}

test('an overtaken run of an option that is not on the screen ends between two modules', async () => {
  send(slow(20))
  await new Promise<void>((done) => {
    heard = () => {
      if (answers.some((answer) => answer.type === 'result' && answer.id === 20)) done()
    }
    heard()
  })
  send({ type: 'overtaking' })
  const start = performance.now()
  const all = await idle(20)
  const endedAfter = performance.now() - start
  expect(shapes(all)).toEqual(['result 20 option-b', 'idle 20'])
  send(slow(21))
  const whole = performance.now()
  await idle(21)
  // What was computed before it was overtaken is kept, and yet most was left to do.
  expect(performance.now() - whole).toBeGreaterThan(3 * endedAfter)
}, 60_000)

test('one option that cannot be computed takes no other with it', async () => {
  const { cover: _gone, ...bare } = options[0]?.objects ?? {}
  send(run(5, { options: [{ id: 'bare', objects: bare }, ...options.slice(1)] }))
  const all = await idle(5)
  expect(shapes(all)).toEqual(['fault 5 bare', 'result 5 option-b', 'idle 5'])
})

test('weather that is not there, not to be read or not to be reached is a fault; it is asked for again', async () => {
  send(run(6, { weatherUrl: '/gone.epw' }))
  expect((await idle(6))[0]).toMatchObject({
    type: 'fault',
    optionId: null,
    fault: { code: 'weather-refused' },
  })
  send(run(7, { weatherUrl: '/broken.epw' }))
  expect((await idle(7)).find((answer) => answer.id === 7)).toMatchObject({ type: 'fault' })
  send(run(12, { weatherUrl: '/cut.epw' }))
  expect((await idle(12)).find((answer) => answer.id === 12)).toMatchObject({ fault: { code: 'no-weather' } })
  online = false
  send(run(8, { weatherUrl: '/later.epw' }))
  expect((await idle(8)).find((answer) => answer.id === 8)).toMatchObject({
    fault: { code: 'no-weather' },
  })
  send(run(9, { weatherUrl: '/later.epw' }))
  await idle(9)
  expect(asked.filter((url) => url === '/later.epw')).toHaveLength(2)
  send(run(10))
  await idle(10)
  expect(asked).not.toContain('/near.epw')
})

test('a page of another version is told to load anew, and nothing is computed', async () => {
  send(run(11, { protocol: protocolVersion + 1 }))
  await new Promise((done) => setTimeout(done, 20))
  expect(shapes(answers)).toEqual(['fault 11 null', 'idle 11'])
  expect(answers[0]).toMatchObject({
    fault: { code: 'wrong-version', data: { page: protocolVersion + 1, worker: protocolVersion } },
  })
})
