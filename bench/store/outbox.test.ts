import { setTimeout as wait } from 'node:timers/promises'
import { defaultChimney } from '@/core/kinds/chimney/chimney'
import {
  Barred,
  Outbox,
  Refused,
  type OutboxShelf,
  type PendingEdit,
  type SendResult,
  type ShelvedEdit,
} from './outbox'

const edit = (id: string, objectId = id): PendingEdit => ({
  id,
  documentId: 'house',
  change: {
    added: { [objectId]: { ...defaultChimney, id: objectId, center: [0, 0] } },
    updated: {},
    removed: {},
  },
})

/** A shelf of its own, as IndexedDB would be. */
function shelf(start: readonly ShelvedEdit[] = []): OutboxShelf & { kept: Map<string, ShelvedEdit> } {
  const kept = new Map(start.map((one) => [one.edit.id, one]))
  return {
    kept,
    adopt: async () => [...kept.values()],
    put: async (one) => void kept.set(one.edit.id, one),
    remove: async (ids) => ids.forEach((id) => kept.delete(id)),
  }
}

const feed = { after: 0, edits: [], revision: 0 }
const yes = async (edits: readonly PendingEdit[]): Promise<SendResult> => ({
  saved: edits,
  conflicts: [],
  feed,
})
const state = (outbox: Outbox) => outbox.store.getState()

async function until(done: () => boolean): Promise<void> {
  for (let i = 0; i < 400 && !done(); i++) await wait(10)
  expect(done()).toBe(true)
}

test('edits are shelved before they are sent, sent in order, and let go when they are stored', async () => {
  const place = shelf()
  const sent: string[] = []
  const outbox = new Outbox({
    shelf: place,
    send: (edits) => {
      expect([...place.kept.keys()]).toEqual(edits.map(({ id }) => id))
      sent.push(...edits.map(({ id }) => id))
      return yes(edits)
    },
  })
  outbox.add(edit('a'))
  outbox.add(edit('b'))
  expect(state(outbox).status).toBe('saving')
  await until(() => state(outbox).status === 'saved')
  expect(sent).toEqual(['a', 'b'])
  await outbox.atRest()
  expect(place.kept.size).toBe(0)
})

test('a lost connection keeps the edits and says how many; they go when it is back', async () => {
  let away = true
  const outbox = new Outbox({
    shelf: shelf(),
    send: (edits) => (away ? Promise.reject(new TypeError('fetch failed')) : yes(edits)),
  })
  outbox.add(edit('a'))
  await until(() => state(outbox).status === 'offline')
  outbox.add(edit('b'))
  expect(state(outbox)).toMatchObject({ status: 'offline', pending: [{ id: 'a' }, { id: 'b' }] })
  away = false
  outbox.flush()
  await until(() => state(outbox).status === 'saved')
})

test('a sign-in that ran out and a job that was deleted are told from a lost connection; nothing is lost', async () => {
  let why: 'signed-out' | 'deleted' | null = 'signed-out'
  const place = shelf()
  const outbox = new Outbox({
    shelf: place,
    send: (edits) => (why ? Promise.reject(new Barred(why)) : yes(edits)),
  })
  outbox.add(edit('a'))
  await until(() => state(outbox).status === 'signed-out')
  why = 'deleted'
  outbox.flush()
  await until(() => state(outbox).status === 'deleted')
  expect(place.kept.size).toBe(1)
  why = null
  outbox.flush()
  await until(() => state(outbox).status === 'saved')
})

test('what an earlier visit left is taken up: edits are sent, questions and refusals are there again', async () => {
  const sent: string[] = []
  const fault = { code: 'bad-object', data: {}, path: 'x' }
  const outbox = new Outbox({
    shelf: shelf([
      { state: 'waiting', edit: edit('old') },
      { state: 'conflict', edit: edit('asked'), objects: [] },
      { state: 'refused', edit: edit('wrong'), fault },
    ]),
    send: (edits) => {
      sent.push(...edits.map(({ id }) => id))
      return yes(edits)
    },
  })
  await outbox.wake()
  expect(state(outbox)).toMatchObject({
    conflicts: [{ edit: { id: 'asked' } }],
    refused: [{ edit: { id: 'wrong' }, fault }],
  })
  await until(() => state(outbox).status === 'saved')
  expect(sent).toEqual(['old'])
})

test('an edit that is refused is set aside, stays on the shelf, and takes no other with it', async () => {
  const place = shelf()
  const fault = { code: 'bad-object', data: {}, path: 'site.latitudeDeg' }
  const stored: string[] = []
  const outbox = new Outbox({
    shelf: place,
    send: async (edits) => {
      if (edits.some(({ id }) => id === 'wrong')) throw new Refused(fault)
      stored.push(...edits.map(({ id }) => id))
      return yes(edits)
    },
  })
  for (const id of ['a', 'b', 'wrong', 'c']) outbox.add(edit(id))
  await until(() => state(outbox).status === 'saved')
  expect(stored).toEqual(['a', 'b', 'c'])
  expect(state(outbox).refused).toEqual([{ edit: edit('wrong'), fault }])
  await outbox.atRest()
  expect([...place.kept.values()]).toEqual([{ state: 'refused', edit: edit('wrong'), fault }])
  // Those that come after it go together again.
  outbox.add(edit('d'))
  outbox.add(edit('e'))
  await until(() => state(outbox).status === 'saved')
  expect(stored).toEqual(['a', 'b', 'c', 'd', 'e'])
  outbox.forget('wrong')
  await outbox.atRest()
  expect(place.kept.size).toBe(0)
})

test('a conflict stays on the shelf until it is answered; what builds on it waits behind the answer', async () => {
  const place = shelf()
  const sent: string[] = []
  const outbox = new Outbox({
    shelf: place,
    send: async (edits) => {
      sent.push(...edits.map(({ id }) => id))
      const met = edits.filter(({ id }) => id === 'met')
      return {
        saved: edits.filter(({ id }) => id !== 'met'),
        conflicts: met.map(({ id }) => ({ id, documentId: 'house', objects: [] })),
        feed,
      }
    },
  })
  outbox.add(edit('met', 'chimney'))
  await until(() => state(outbox).conflicts.length === 1)
  await outbox.atRest()
  expect(place.kept.get('met')).toMatchObject({ state: 'conflict' })
  outbox.add(edit('other', 'elsewhere'))
  outbox.add(edit('later', 'chimney'))
  await until(() => sent.includes('other'))
  await wait(250)
  expect(sent).toEqual(['met', 'other'])
  expect(state(outbox).status).toBe('saving')
  outbox.answer('met', edit('answer', 'chimney'))
  await until(() => state(outbox).status === 'saved')
  expect(sent).toEqual(['met', 'other', 'answer', 'later'])
  await outbox.atRest()
  expect(place.kept.size).toBe(0)
})

test('an edit that is heard of from elsewhere is let go, whatever became of its own answer', async () => {
  let lost = true
  const outbox = new Outbox({
    shelf: shelf(),
    send: (edits) => (lost ? Promise.reject(new TypeError('answer lost')) : yes(edits)),
  })
  outbox.add(edit('a'))
  outbox.add(edit('b'))
  await until(() => state(outbox).status === 'offline')
  outbox.confirm(['a'])
  expect(state(outbox).pending.map(({ id }) => id)).toEqual(['b'])
  lost = false
  outbox.flush()
  await until(() => state(outbox).status === 'saved')
})

test('without a shelf it says so, and saves all the same', async () => {
  const broken: OutboxShelf = {
    adopt: () => Promise.reject(new Error('no room')),
    put: () => Promise.reject(new Error('no room')),
    remove: () => Promise.reject(new Error('no room')),
  }
  let away = true
  const outbox = new Outbox({
    shelf: broken,
    send: (edits) => (away ? Promise.reject(new TypeError('away')) : yes(edits)),
  })
  outbox.add(edit('a'))
  await until(() => state(outbox).status === 'offline' && !state(outbox).shelved)
  away = false
  outbox.flush()
  await until(() => state(outbox).status === 'saved')
})
