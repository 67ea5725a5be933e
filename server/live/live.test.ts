import { jest } from '@jest/globals'
import { randomUUID } from 'node:crypto'
import { changeBetween } from '@/core/model/change'
import { job, set } from '@/town/testing'
import { transaction } from '../database'
import { sayComment, settleComment } from '../comments'
import { createJob, saveEdits } from '../jobs'
import { renameJob, setJobDeleted, storeSummary } from '../sql/jobs'
import { touchPresence } from '../sql/live'
import { insertDesigner, insertTeam, type Member } from '../sql/people'
import { openTestDatabase } from '../testing'
import { listenedTo } from './channel'
import { missedFigures } from './figures'
import { endStreams, eventStream } from './stream'

const close = await openTestDatabase()
afterAll(close)

const me: Member = { id: randomUUID(), teamId: randomUUID(), name: 'Ada', role: 'designer' }
await transaction('people', async (runner) => {
  await insertTeam(me.teamId, 'Team', runner)
  await insertDesigner(me.id, me.teamId, me.name, runner)
})

const always = async () => true

/** What a stream has said so far. */
function heard(response: Response): Record<string, unknown>[] {
  const events: Record<string, unknown>[] = []
  const read = async () => {
    const decoder = new TextDecoder()
    let text = ''
    for await (const part of response.body ?? []) {
      text += decoder.decode(part, { stream: true })
      const blocks = text.split('\n\n')
      text = blocks.pop() ?? ''
      for (const block of blocks)
        if (block.startsWith('data: ')) events.push(JSON.parse(block.slice(6)) as Record<string, unknown>)
    }
  }
  void read()
  return events
}

async function until(done: () => boolean): Promise<number> {
  const begin = Date.now()
  while (!done() && Date.now() - begin < 20_000) await new Promise((go) => setTimeout(go, 20))
  expect(done()).toBe(true)
  return Date.now() - begin
}

test('a stream tells of edits, names, ends and who is there, whichever process stored them; then it is over', async () => {
  const id = await createJob(me.teamId, job)
  const gone = new AbortController()
  const events = heard(eventStream(gone.signal, `job ${id}`, async () => [{ type: 'begin' }], always))
  await until(() => events.some(({ type }) => type === 'at'))
  expect(events.map(({ type }) => type)).toContain('begin')
  // Straight into the database, as another process would.
  const change = changeBetween(job.house, set(job.house, 'tree-1', { heightM: 9 }))
  const edit = { id: randomUUID(), documentId: 'house', change }
  await saveEdits({ who: me, screenId: null, since: 0 }, id, [edit])
  await until(() => events.some(({ type }) => type === 'edits'))
  expect(events.find(({ type }) => type === 'edits')).toMatchObject({
    after: 1,
    revision: 2,
    edits: [{ id: edit.id, by: 'Ada', change: { updated: { 'tree-1': [{}, { heightM: 9 }] } } }],
  })
  await renameJob(me.teamId, id, 'Renamed')
  await until(() => events.some(({ type, name }) => type === 'job' && name === 'Renamed'))
  await touchPresence(me.teamId, id, randomUUID(), me.id, 'tree-1')
  await until(() => events.some(({ screens }) => (JSON.stringify(screens) ?? '').includes('tree-1')))
  await setJobDeleted(me.teamId, id, true)
  await until(() => events.some(({ type, deleted }) => type === 'job' && deleted === true))
  gone.abort()
  await until(() => listenedTo('job').length === 0)
}, 60_000)

test('a list hears of figures that were computed after its page was made and before it listened', async () => {
  const id = await createJob(me.teamId, job)
  // Another list has heard of them already.
  const first = heard(eventStream(new AbortController().signal, `team ${me.teamId}`, async () => [], always))
  await storeSummary(id, 1, { kilowatts: 5.5, paybackYears: 8, picture: [] })
  await until(() => first.some((event) => event['id'] === id))
  const of = (events: typeof first) => events.filter((event) => event['id'] === id)
  const late = heard(
    eventStream(new AbortController().signal, `team ${me.teamId}`, () => missedFigures(me.teamId), always),
  )
  await until(() => of(late).length > 0)
  expect(of(late)[0]).toMatchObject({ type: 'figures', state: 'fresh', summary: { kilowatts: 5.5 } })
  expect(await missedFigures(randomUUID())).toEqual([])
  endStreams()
  await until(() => listenedTo('team').length === 0)
}, 60_000)

test('a list hears of figures that were computed elsewhere', async () => {
  const id = await createJob(me.teamId, job)
  const events = heard(eventStream(new AbortController().signal, `team ${me.teamId}`, async () => [], always))
  await storeSummary(id, 1, { kilowatts: 6.7, paybackYears: 9, picture: [] })
  await until(() => events.some((event) => event['id'] === id && event['state'] === 'fresh'))
  endStreams()
  await until(() => listenedTo('team').length === 0)
}, 60_000)

test('a stream tells how many comments are open, at its begin and whenever something is said', async () => {
  const id = await createJob(me.teamId, job)
  const gone = new AbortController()
  const events = heard(eventStream(gone.signal, `job ${id}`, async () => [], always))
  const opens = () => events.filter(({ type }) => type === 'comments').map(({ open }) => open)
  await until(() => opens().length === 1)
  const first = { id: randomUUID(), about: '', answers: null, text: 'Call the utility' }
  await sayComment(me, id, first)
  await until(() => opens().length === 2)
  // An answer leaves as many open, and is told all the same.
  await sayComment(me, id, { ...first, id: randomUUID(), answers: first.id })
  await until(() => opens().length === 3)
  await settleComment(me, id, first.id, true)
  await until(() => opens().length === 4)
  expect(opens()).toEqual([0, 1, 1, 0])
  gone.abort()
})

test('whoever is no longer let in hears no more', async () => {
  jest.useFakeTimers({
    doNotFake: ['Date', 'hrtime', 'nextTick', 'performance', 'queueMicrotask', 'setImmediate', 'setTimeout'],
  })
  try {
    let isIn: boolean | null = true
    const asked = async () => {
      if (isIn === null) throw new Error('the database is away')
      return isIn
    }
    const id = randomUUID()
    const events = heard(
      eventStream(new AbortController().signal, `job ${id}`, async () => [{ type: 'begin' }], asked),
    )
    await until(() => events.length === 1)
    const beat = async () => {
      jest.advanceTimersByTime(10_000)
      await new Promise((go) => setTimeout(go, 20))
      return listenedTo('job').includes(id)
    }
    expect(await beat()).toBe(true)
    // Nobody is sent away because the database is.
    isIn = null
    expect(await beat()).toBe(true)
    isIn = false
    expect(await beat()).toBe(false)
  } finally {
    jest.useRealTimers()
  }
})
