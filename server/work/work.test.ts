import { randomUUID } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import { seededRandom } from '@/core/model/random'
import { Fault } from '@/core/model/fault'
import { transaction } from '../database'
import { statementSeconds } from '../metrics'
import { maybeOneWork, openWork } from '../sql/work'
import {
  countWork,
  dueTasks,
  endWork,
  holdWork,
  manyWorkAside,
  removeSpentWork,
  removeWorkAside,
  takeWork,
  tryWorkAgain,
} from '../sql/work-taking'
import { openTestDatabase } from '../testing'
import { askWork, newWork } from './ask'
import { Worker, type Doers, type Doing } from './worker'

const close = await openTestDatabase()

const never = async (): Promise<never> => {
  throw new Error('not this one')
}
const none: Doers = { figures: never, offer: never, pdf: never, job: never, weather: never }
const running: Worker[] = []

/** A worker that does only what it is given, with little rest. */
function workerFor(doers: Partial<Doers>, atOnce = { compute: 2, print: 1 }): Worker {
  const times = { restMs: 15, failedMs: 50, heldSeconds: 1, holdMs: 100, againSeconds: 0.05 }
  const worker = new Worker({ doers: { ...none, ...doers }, atOnce, times })
  worker.start()
  running.push(worker)
  return worker
}
afterEach(() => Promise.all(running.splice(0).map((worker) => worker.stop())))
afterAll(close)

const teamId = randomUUID()
const bytes = (text: string) => new TextEncoder().encode(text)
const importing = (text: string, signal?: AbortSignal) =>
  askWork('job', { teamId, input: { teamId }, given: bytes(text), ...(signal ? { signal } : {}) })
const printing = (same: string, signal?: AbortSignal) =>
  askWork('pdf', { teamId, input: { sealedToken: 'sealed' }, same, ...(signal ? { signal } : {}) })
const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: unknown) => (error instanceof Fault ? error.code : String(error)),
  )
const until = async (done: () => boolean | Promise<boolean>) => {
  for (let i = 0; i < 400 && !(await done()); i++) await pause(25)
  expect(await done()).toBe(true)
}
/** How often anybody who waits has looked how their work stands. */
const timesLooked = async () => {
  const { values } = await statementSeconds.get()
  const ofLooks = values.find(
    ({ metricName, labels }) => metricName?.endsWith('_count') && labels.statement === 'work',
  )
  return ofLooks?.value ?? 0
}
const open = async () => {
  const { waiting, running } = await countWork()
  return waiting + running
}

test('work is done with the bytes it is about, answered, and gone', async () => {
  workerFor({
    job: async ({ id, input, given }) => {
      expect(input).toEqual({ teamId })
      return { outcome: { id: `${id.length} ${String(given)}` } }
    },
  })
  expect(await importing('a file')).toEqual({ outcome: { id: '36 a file' }, made: null })
  expect(await countWork()).toEqual({ waiting: 0, running: 0, aside: 0, oldest: null })
})

test('what is wrong with what it was given is said as it was found', async () => {
  workerFor({
    job: async () => {
      throw new Fault('bad-value', { value: 'x', parts: [1, { value: 2, unit: 'm' }] }, 'house.site')
    },
  })
  const fault = await importing('').catch((error: unknown) => error)
  expect(fault).toBeInstanceOf(Fault)
  expect((fault as Fault).toJSON()).toEqual({
    code: 'bad-value',
    data: { value: 'x', parts: [1, { value: 2, unit: 'm' }] },
    path: 'house.site',
  })
  expect(await open()).toBe(0)
})

test('three workers do a hundred pieces, each once', async () => {
  const begun = new Map<string, number>()
  const job = async ({ given }: Doing) => {
    const text = String(given)
    begun.set(text, (begun.get(text) ?? 0) + 1)
    await pause(seededRandom(begun.size)() * 20)
    return { outcome: { id: text } }
  }
  for (let i = 0; i < 3; i++) workerFor({ job })
  const asked = Array.from({ length: 50 }, (_, i) => `file ${i}`)
  for (const round of [asked, asked.map((text) => `${text} again`)])
    expect(
      (await Promise.all(round.map((text) => importing(text)))).map(({ outcome }) => outcome.id),
    ).toEqual(round)
  expect(begun.size).toBe(100)
  expect([...begun.values()].every((times) => times === 1)).toBe(true)
}, 60_000)

test('the same page asked for at once is printed once, and kept for who asks later', async () => {
  let printed = 0
  const pdf = async () => {
    printed++
    await pause(100)
    return { made: bytes(`page ${printed}`) }
  }
  workerFor({ pdf })
  const pages = await Promise.all(Array.from({ length: 8 }, () => printing('offer 1')))
  expect(new Set(pages.map(({ made }) => String(made)))).toEqual(new Set(['page 1']))
  expect(String((await printing('offer 1')).made)).toBe('page 1')
  expect(String((await printing('offer 2')).made)).toBe('page 2')
})

test('a page that could not be printed is printed anew for who asks again', async () => {
  let times = 0
  workerFor({
    pdf: async () => {
      times++
      if (times === 1) throw new Fault('pdf-failed', { reason: 'printing' })
      return { made: bytes('page') }
    },
  })
  expect(await codeOf(printing('offer 3'))).toBe('pdf-failed')
  expect(await codeOf(printing('offer 3'))).toBe('done')
})

test('what a dead worker held is done by another', async () => {
  const asked = importing('held')
  await until(async () => (await dueTasks()).has('job'))
  // Taken for a second, and never heard of again.
  const [dead] = await transaction('take', (runner) =>
    takeWork('dead', ['job'], { seconds: 1, most: 1 }, runner),
  )
  expect(dead?.attempts).toBe(1)
  workerFor({ job: async ({ given }) => ({ outcome: { id: String(given) } }) })
  expect((await asked).outcome).toEqual({ id: 'held' })
  // Should it be alive after all, what it says counts for nothing.
  expect(await holdWork(dead?.id ?? '', 'dead', 10, null)).toBe(0)
  expect(await endWork(dead?.id ?? '', 'dead', 'done', { outcome: null, made: null })).toBe(0)
}, 20_000)

test('a long piece is held for as long as it takes', async () => {
  let times = 0
  const job = async () => {
    times++
    await pause(2500)
    return { outcome: { id: 'long' } }
  }
  workerFor({ job })
  workerFor({ job })
  expect((await importing('long')).outcome).toEqual({ id: 'long' })
  expect(times).toBe(1)
}, 20_000)

test('chance is tried again, and what fails three times is set aside with its reason', async () => {
  let times = 0
  workerFor({
    job: async ({ given }) => {
      times++
      if (String(given) === 'unlucky' && times < 3) throw new Error('a thread broke')
      if (String(given) === 'poison') throw new Error('a thread broke')
      return { outcome: { id: 'x' } }
    },
  })
  expect((await importing('unlucky')).outcome).toEqual({ id: 'x' })
  expect(times).toBe(3)
  expect(await codeOf(importing('poison'))).toMatch(/set aside/)
  const [aside, ...more] = await manyWorkAside(teamId)
  expect(more).toEqual([])
  expect(aside).toMatchObject({ task: 'job', attempts: 3, outcome: { reason: 'failed' } })
  expect(await manyWorkAside(randomUUID())).toEqual([])
  // Nobody else's.
  expect(await tryWorkAgain(randomUUID(), aside?.id ?? '')).toBe(0)
  expect(await removeWorkAside(randomUUID(), aside?.id ?? '')).toBe(0)
  // With all it was given: nobody waits, and still it is done.
  expect(await tryWorkAgain(teamId, aside?.id ?? '')).toBe(1)
  await until(async () => (await manyWorkAside(teamId)).length === 1)
  expect(times).toBe(9)
  expect(await removeWorkAside(teamId, aside?.id ?? '')).toBe(1)
  expect(await manyWorkAside(teamId)).toEqual([])
}, 30_000)

test('what takes its worker down again and again is set aside', async () => {
  const work = newWork('figures', { teamId, input: { teamId, jobId: 'j' }, same: 'j 1' }, null)
  await openWork([work])
  for (let i = 0; i < 5; i++) {
    const taken = await transaction('take', (runner) =>
      takeWork(`dead ${i}`, ['figures'], { seconds: 0, most: 1 }, runner),
    )
    expect(taken.map(({ attempts }) => attempts)).toEqual([i + 1])
  }
  workerFor({ figures: async () => ({ outcome: null }) })
  await until(async () => (await manyWorkAside(teamId)).length === 1)
  expect((await manyWorkAside(teamId))[0]).toMatchObject({ attempts: 6, outcome: { reason: 'lost' } })
  await removeWorkAside(teamId, work.id)
}, 20_000)

test('what nobody waits for any more is given up, by who runs it too', async () => {
  const gone = new AbortController()
  let ended = ''
  workerFor({
    job: async ({ signal }) => {
      ended = 'begun'
      await pause(20_000, undefined, { signal }).catch(() => {
        ended = 'given up'
        throw new Fault('given-up')
      })
      return { outcome: { id: 'never' } }
    },
  })
  const asked = codeOf(importing('left', gone.signal))
  await until(() => ended === 'begun')
  gone.abort()
  expect(await asked).toBe('given-up')
  await until(() => ended === 'given up')
  await until(async () => {
    await removeSpentWork(30, 14)
    return (await open()) === 0
  })
}, 30_000)

test('one of two who wait for the same goes: the other has it all the same', async () => {
  const gone = new AbortController()
  let begun = 0
  workerFor({
    pdf: async ({ signal }) => {
      begun++
      await pause(6000, undefined, { signal })
      return { made: bytes('page') }
    },
  })
  const [left, stayed] = [codeOf(printing('offer 4', gone.signal)), printing('offer 4')]
  await pause(300)
  gone.abort()
  expect(await left).toBe('given-up')
  expect(String((await stayed).made)).toBe('page')
  expect(begun).toBe(1)
}, 30_000)

test('a worker that is told to end gives back what it holds, and no attempt is counted', async () => {
  const seen: string[] = []
  const first = workerFor({
    job: async ({ signal }) => {
      seen.push('first')
      await pause(20_000, undefined, { signal })
      return { outcome: { id: 'first' } }
    },
  })
  const asked = importing('moved')
  await until(() => seen.length === 1)
  await first.stop()
  const [again] = await transaction('take', (runner) =>
    takeWork('second', ['job'], { seconds: 0, most: 1 }, runner),
  )
  expect(again?.attempts).toBe(1)
  workerFor({ job: async () => ({ outcome: { id: 'second' } }) })
  expect((await asked).outcome).toEqual({ id: 'second' })
}, 20_000)

test('the most urgent goes first, and the browser that prints has a queue of its own', async () => {
  const order: string[] = []
  const jobs = Array.from({ length: 3 }, (_, i) =>
    newWork('figures', { teamId, input: { teamId, jobId: `${i}` }, same: `${i} 1` }, null),
  )
  await openWork(jobs)
  const asked = [importing('urgent'), printing('offer 5')]
  await until(async () => (await dueTasks()).size === 3)
  const note = (name: string) => async () => {
    order.push(name)
    await pause(60)
    return { outcome: name === 'import' ? { id: 'x' } : null, made: bytes('page') }
  }
  workerFor({ figures: note('figures'), job: note('import'), pdf: note('print') }, { compute: 1, print: 1 })
  await Promise.all(asked)
  await until(async () => (await open()) === 0)
  expect(order.filter((name) => name !== 'print')).toEqual(['import', 'figures', 'figures', 'figures'])
  expect(order.indexOf('print')).toBeLessThan(2)
}, 20_000)

test('one more than may wait is told to come back later', async () => {
  const gone = new AbortController()
  const asked = Array.from({ length: 30 }, (_, i) => codeOf(printing(`busy ${i}`, gone.signal)))
  await until(async () => (await open()) === 30)
  expect(await codeOf(printing('busy 31'))).toBe('pdf-busy')
  // Of another kind there is room.
  const other = codeOf(importing('room', gone.signal))
  await until(async () => (await open()) === 31)
  gone.abort()
  expect(new Set(await Promise.all([...asked, other]))).toEqual(new Set(['given-up']))
}, 30_000)

test('work held too briefly, and so taken anew by the very worker that is at it, is done once', async () => {
  const begun = new Map<string, number>()
  const random = seededRandom(5)
  const job = async ({ given }: Doing) => {
    const text = String(given)
    begun.set(text, (begun.get(text) ?? 0) + 1)
    await pause(random() * 12)
    return { outcome: { id: text } }
  }
  const times = { restMs: 1, failedMs: 50, heldSeconds: 0, holdMs: 100 }
  const worker = new Worker({ doers: { ...none, job }, atOnce: { compute: 8, print: 1 }, times })
  worker.start()
  running.push(worker)
  for (let round = 0; round < 4; round++)
    await Promise.all(Array.from({ length: 40 }, (_, i) => importing(`brief ${round} ${i}`)))
  expect([...begun].filter(([, times]) => times > 1)).toEqual([])
  // Whatever others left and nobody wants may be among them.
  expect([...begun.keys()].filter((text) => text.startsWith('brief '))).toHaveLength(160)
}, 60_000)

test('work that a build does not know stays for one that does', async () => {
  const unknown = { ...newWork('figures', { teamId, input: { teamId, jobId: 'k' }, same: 'k 1' }, null) }
  await openWork([{ ...unknown, task: 'of-tomorrow' }])
  workerFor({})
  await pause(300)
  expect(await maybeOneWork(unknown.id)).toMatchObject({ state: 'open', attempts: 0 })
})

test('with the database away for a moment whoever waits goes on waiting, and has what they asked for once', async () => {
  const looked = await timesLooked()
  const asked = importing('through')
  // Both it and whoever asked know that it is written.
  await until(async () => (await timesLooked()) > looked)
  await close.database.stop()
  await pause(1000)
  await close.database.restart()
  let times = 0
  workerFor({
    job: async () => {
      times++
      return { outcome: { id: 'done' } }
    },
  })
  expect((await asked).outcome).toEqual({ id: 'done' })
  expect(times).toBe(1)
}, 60_000)

test('what is done while the database is away is told once it is back, and not done again', async () => {
  let times = 0
  const asked = importing('done meanwhile')
  const worker = new Worker({
    doers: {
      ...none,
      job: async () => {
        if (++times === 1) await close.database.stop()
        return { outcome: { id: `done ${times}` } }
      },
    },
    atOnce: { compute: 1, print: 1 },
    times: { restMs: 15, failedMs: 50, heldSeconds: 1, holdMs: 100, endingMs: 300 },
  })
  worker.start()
  running.push(worker)
  await until(() => times === 1)
  await pause(500)
  await close.database.restart()
  expect((await asked).outcome).toEqual({ id: 'done 1' })
  expect(times).toBe(1)
}, 60_000)
