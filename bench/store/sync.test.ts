import { setTimeout as wait } from 'node:timers/promises'
import { isAllowed, type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { changeBetween, mergeChange } from '@/core/model/change'
import { seededRandom } from '@/core/model/random'
import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { DocumentStore, houseId } from './documents'
import { Outbox, type FeedEdit, type OutboxShelf, type SendResult } from './outbox'
import { Sync } from './sync'

const chimney = (id: string, x = 0): AnyObject => ({ ...defaultChimney, id, center: [x, 0] })
const noShelf: OutboxShelf = {
  adopt: async () => [],
  put: async () => undefined,
  remove: async () => undefined,
}

/** What the server does with edits, in a few lines and slowly: the reference that screens are held against. */
class Server {
  documents: Record<string, Objects> = { [houseId]: { a: chimney('a'), b: chimney('b') } }
  revision = 1
  readonly log: FeedEdit[] = []

  send(screenId: string, since: number, edits: Parameters<Outbox['add']>[0][]): SendResult {
    const saved: { id: string }[] = []
    const conflicts: SendResult['conflicts'][number][] = []
    for (const { id, documentId, change } of edits) {
      if (!this.log.some((edit) => edit.id === id)) {
        const before = this.documents[documentId] ?? {}
        const { objects, conflicts: met } = mergeChange(before, change, isAllowed)
        if (met.length > 0) {
          conflicts.push({ id, documentId, objects: met.map((one) => ({ ...one, by: 'B', at: null })) })
          continue
        }
        this.revision++
        this.log.push({
          id,
          documentId,
          revision: this.revision,
          change: changeBetween(before, objects),
          by: 'B',
          screenId,
          at: '',
        })
        this.documents[documentId] = objects
      }
      saved.push({ id })
    }
    return { saved, conflicts, feed: this.since(since) }
  }

  since(after: number) {
    return { after, edits: this.log.filter(({ revision }) => revision > after), revision: this.revision }
  }
}

let count = 0

/** A screen on a job: what the bench puts together, without the bench. */
function screenOn(server: Server, isUp: () => boolean = () => true) {
  const screenId = `screen-${++count}`
  const documents = new DocumentStore({ ...server.documents }, [])
  const outbox: Outbox = new Outbox({
    shelf: noShelf,
    send: async (edits) => {
      await wait(1)
      if (!isUp()) throw new TypeError('away')
      const answer = server.send(screenId, sync.revision, [...edits])
      // Now and then the answer is lost on its way.
      if (!isUp()) throw new TypeError('lost')
      return answer
    },
    onFeed: (feed) => sync.feed(feed),
  })
  const sync: Sync = new Sync(documents, outbox, { ...server.documents }, server.revision, () =>
    sync.feed(server.since(sync.revision)),
  )
  documents.onChange((documentId, change) => outbox.add({ id: `edit-${++count}`, documentId, change }))
  return { documents, outbox, sync }
}
const move = (documents: DocumentStore, id: string, x: number) =>
  documents.edit('Move', houseId, (before) => ({
    ...before,
    [id]: { ...before[id], center: [x, 0] } as AnyObject,
  }))

async function until(done: () => boolean): Promise<void> {
  for (let i = 0; i < 1000 && !done(); i++) await wait(5)
  expect(done()).toBe(true)
}
const atRest = ({ outbox }: ReturnType<typeof screenOn>) => outbox.store.getState().status === 'saved'

test('what somebody else does is shown, under what waits here, and the rest stays the very same', async () => {
  const server = new Server()
  const here = screenOn(server)
  const there = screenOn(server)
  const b = here.documents.house['b']
  move(there.documents, 'a', 3)
  await until(() => atRest(there))
  here.sync.feed(server.since(here.sync.revision))
  expect(here.documents.house['a']).toMatchObject({ center: [3, 0] })
  expect(here.documents.house['b']).toBe(b)
  const shown = here.documents.house
  here.sync.feed(server.since(1))
  expect(here.documents.house).toBe(shown)
})

test('nothing comes in while a hand is dragging; it is there when the hand lets go, and the drag is not lost', async () => {
  const server = new Server()
  const here = screenOn(server)
  const there = screenOn(server)
  here.documents.begin()
  const drag = (x: number) =>
    here.documents.preview(houseId, (before) => ({
      ...before,
      b: { ...before['b'], center: [x, 0] } as AnyObject,
    }))
  drag(1)
  move(there.documents, 'a', 3)
  await until(() => atRest(there))
  here.sync.feed(server.since(here.sync.revision))
  expect(here.documents.house['a']).toMatchObject({ center: [0, 0] })
  drag(2)
  here.documents.commit('Drag')
  expect(here.documents.house).toMatchObject({ a: { center: [3, 0] }, b: { center: [2, 0] } })
  await until(() => atRest(here))
  expect(server.documents[houseId]).toMatchObject({ a: { center: [3, 0] }, b: { center: [2, 0] } })
})

test('fields of one object merge; the same field is asked about, and each answer does what it says', async () => {
  for (const answer of ['ours', 'theirs'] as const) {
    const server = new Server()
    const here = screenOn(server)
    const there = screenOn(server)
    there.documents.set('Height', houseId, 'a', { heightM: 2, widthM: 0.9 })
    await until(() => atRest(there))
    here.documents.set('Height', houseId, 'a', { heightM: 1.5, depthM: 0.8 })
    await until(() => here.outbox.store.getState().conflicts.length === 1)
    const [conflict] = here.outbox.store.getState().conflicts
    expect(conflict?.objects).toMatchObject([{ id: 'a', fields: ['heightM'] }])
    if (conflict) here.sync.answer(conflict, answer)
    await until(() => atRest(here))
    // Nothing that was not in question is touched.
    expect(server.documents[houseId]?.['a']).toMatchObject({
      heightM: answer === 'ours' ? 1.5 : 2,
      widthM: 0.9,
      depthM: 0.8,
    })
    expect(here.documents.house['a']).toEqual(server.documents[houseId]?.['a'])
  }
})

test('what was not heard in between is asked for', () => {
  const server = new Server()
  const here = screenOn(server)
  server.send('x', 1, [{ id: '1', documentId: houseId, change: changeBetween({}, { c: chimney('c') }) }])
  server.send('x', 1, [{ id: '2', documentId: houseId, change: changeBetween({}, { d: chimney('d') }) }])
  here.sync.feed({ ...server.since(2), after: 2 })
  expect(Object.keys(here.documents.house).sort()).toEqual(['a', 'b', 'c', 'd'])
})

test.each([1, 2, 3, 4])(
  'five screens at random, connections that come and go: all end as the server is, and nothing is overwritten unseen (seed %i)',
  async (seed) => {
    const random = seededRandom(seed)
    const server = new Server()
    let up = true
    const screens = Array.from({ length: 5 }, () => screenOn(server, () => up || random() < 0.5))
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
    for (let k = 0; k < 160; k++) {
      const screen = pick(screens)
      const ids = Object.keys(screen.documents.house)
      const id = ids.length > 0 ? pick(ids) : null
      const way = random()
      if (way < 0.5 && id)
        screen.documents.set('Field', houseId, id, {
          [pick(['heightM', 'widthM', 'depthM'])]: 0.2 + random() * 2,
        })
      else if (way < 0.6 && id) screen.documents.edit('Drop', houseId, ({ [id]: _gone, ...rest }) => rest)
      else if (way < 0.7)
        screen.documents.edit('Add', houseId, (before) => ({ ...before, [`c-${k}`]: chimney(`c-${k}`) }))
      else if (way < 0.8) screen.documents.undo()
      else if (way < 0.85) screen.documents.redo()
      else if (way < 0.95) screen.sync.feed(server.since(screen.sync.revision))
      else up = !up
      const [conflict] = screen.outbox.store.getState().conflicts
      if (conflict && random() < 0.7) screen.sync.answer(conflict, pick(['ours', 'theirs']))
      // Long enough now and then for hands to rest and edits to go.
      await wait(random() < 0.1 ? 170 : 1)
    }
    up = true
    await until(() => {
      for (const { outbox, sync } of screens) {
        outbox.flush()
        const [conflict] = outbox.store.getState().conflicts
        if (conflict) sync.answer(conflict, 'theirs')
      }
      return screens.every(
        (screen) => atRest(screen) && screen.outbox.store.getState().conflicts.length === 0,
      )
    })
    for (const { sync, documents } of screens) {
      sync.feed(server.since(sync.revision))
      expect(documents.house).toEqual(server.documents[houseId])
    }
    // Every value in the log was on the screen of whoever replaced it: an edit says what it found.
    const seen: Record<string, AnyObject> = { a: chimney('a'), b: chimney('b') }
    for (const { change } of server.log) {
      for (const [id, [from]] of Object.entries(change.updated)) expect(seen[id]).toEqual(from)
      for (const id of Object.keys(change.removed)) delete seen[id]
      for (const [id, to] of Object.entries(change.added)) seen[id] = to
      for (const [id, [, to]] of Object.entries(change.updated)) seen[id] = to
    }
    expect(new Set(server.log.map(({ id }) => id)).size).toBe(server.log.length)
  },
  30_000,
)
