import { setTimeout as wait } from 'node:timers/promises'
import { LiveLine, type LineEvent } from './live-line'
import { type Feed } from './outbox'

/** What browsers have and tests don't: lines to a server, channels between tabs, locks, a window. */
class FakeSource {
  static readonly all: FakeSource[] = []
  onmessage: ((event: { data: string }) => void) | null = null
  onerror: (() => void) | null = null
  closed = false
  readonly url: string

  constructor(url: string) {
    this.url = url
    FakeSource.all.push(this)
  }

  say(event: LineEvent): void {
    this.onmessage?.({ data: JSON.stringify(event) })
  }

  close(): void {
    this.closed = true
  }
}

/** One holder at a time; the next when its work is done. */
function fakeLocks() {
  const queues = new Map<string, Promise<unknown>>()
  return {
    request: (name: string, { signal }: { signal: AbortSignal }, work: () => Promise<void>) => {
      const turn = (queues.get(name) ?? Promise.resolve()).then(() => (signal.aborted ? undefined : work()))
      queues.set(name, turn)
      return turn
    },
  }
}

const leaving = new Set<() => void>()
beforeAll(() => {
  Object.assign(globalThis, {
    EventSource: FakeSource,
    window: {
      addEventListener: (_type: string, listener: () => void) => leaving.add(listener),
      removeEventListener: (_type: string, listener: () => void) => leaving.delete(listener),
    },
  })
  Object.defineProperty(globalThis, 'navigator', { value: { locks: fakeLocks() }, configurable: true })
})
beforeEach(() => FakeSource.all.splice(0))

function tab(jobId: string, screenId: string, revision = 1) {
  const feeds: Feed[] = []
  const said: (readonly [string | null, boolean])[] = []
  let gaps = 0
  const line = new LiveLine({
    jobId,
    screenId,
    comments: 3,
    revision: () => revision,
    onFeed: (feed) => feeds.push(feed),
    onGap: () => gaps++,
    say: (selection, isLeaving) => said.push([selection, isLeaving]),
  })
  line.start()
  return { line, feeds, said, gaps: () => gaps }
}
const edits = (after: number): LineEvent => ({ type: 'edits', after, edits: [], revision: after + 1 })

test('of two tabs one holds the line and both hear; when it is closed the other takes it over', async () => {
  const first = tab('job-1', 'a')
  const second = tab('job-1', 'b', 5)
  await wait(20)
  expect(FakeSource.all.map(({ url }) => url)).toEqual(['/api/jobs/job-1/events?since=1'])
  FakeSource.all[0]?.say(edits(1))
  await wait(20)
  expect([first.feeds.length, second.feeds.length]).toEqual([1, 1])
  first.line.stop()
  expect(first.said.at(-1)).toEqual([null, true])
  await wait(20)
  expect(FakeSource.all[0]?.closed).toBe(true)
  expect(FakeSource.all[1]?.url).toBe('/api/jobs/job-1/events?since=5')
  second.line.stop()
})

test('what may have been missed is asked for: at the beginning, and when the server is farther', async () => {
  const { line, gaps } = tab('job-2', 'a', 3)
  await wait(20)
  expect(gaps()).toBe(1)
  FakeSource.all[0]?.say({ type: 'at', revision: 3 })
  expect(gaps()).toBe(1)
  FakeSource.all[0]?.say({ type: 'at', revision: 4 })
  expect(gaps()).toBe(2)
  line.stop()
})

test('names, ends and who else is there are known; the own screen is not somebody else', async () => {
  const { line, said } = tab('job-3', 'mine')
  await wait(20)
  const source = FakeSource.all[0]
  source?.say({ type: 'job', name: 'Renamed', deleted: true })
  const other = { screenId: 'other', name: 'Ada', selection: 'tree-1' }
  source?.say({ type: 'present', screens: [{ screenId: 'mine', name: 'Me', selection: null }, other] })
  source?.say({ type: 'comments', open: 2 })
  expect(line.store.getState()).toMatchObject({
    name: 'Renamed',
    deleted: true,
    present: [other],
    comments: { open: 2 },
  })
  // As many as before, but something was said.
  const { comments } = line.store.getState()
  source?.say({ type: 'comments', open: 2 })
  expect(line.store.getState().comments).not.toBe(comments)
  line.select('tree-2')
  line.select('chimney-1')
  line.select('chimney-1')
  // What the hand rests on is told, not what it passes over.
  expect(said).toEqual([[null, false]])
  await wait(550)
  expect(said).toEqual([
    [null, false],
    ['chimney-1', false],
  ])
  line.stop()
})

test('a line that breaks is opened again, from what is known by then', async () => {
  const { line } = tab('job-4', 'a', 7)
  await wait(20)
  FakeSource.all[0]?.onerror?.()
  expect(FakeSource.all[0]?.closed).toBe(true)
  await wait(650)
  expect(FakeSource.all).toHaveLength(2)
  line.stop()
  // Not after it was stopped.
  FakeSource.all[1]?.onerror?.()
  await wait(1200)
  expect(FakeSource.all).toHaveLength(2)
})
