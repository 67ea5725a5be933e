import { setTimeout as wait } from 'node:timers/promises'
import { Outbox, Refused, type OutboxShelf, type PendingEdit, type SendResult } from './outbox'

const edit = (id: string): PendingEdit => ({
  id,
  documentId: 'house',
  change: { added: {}, updated: {}, removed: {} },
})

function shelf(start: readonly PendingEdit[] = []): OutboxShelf & { kept: readonly PendingEdit[] } {
  const box = {
    kept: start,
    load: async () => box.kept,
    store: async (edits: readonly PendingEdit[]) => {
      box.kept = edits
    },
  }
  return box
}

const yes = async (edits: readonly PendingEdit[]): Promise<SendResult> => ({ saved: edits, conflicts: [] })

async function until(done: () => boolean): Promise<void> {
  for (let i = 0; i < 400 && !done(); i++) await wait(10)
  expect(done()).toBe(true)
}

test('edits are shelved at once, sent in order, and let go when they are stored', async () => {
  const place = shelf()
  const sent: string[] = []
  const outbox = new Outbox(place, (edits) => {
    sent.push(...edits.map(({ id }) => id))
    return yes(edits)
  })
  outbox.add(edit('a'))
  outbox.add(edit('b'))
  expect(outbox.store.getState().status).toBe('saving')
  await until(() => place.kept.length === 2)
  await until(() => outbox.store.getState().status === 'saved')
  expect(sent).toEqual(['a', 'b'])
  await until(() => place.kept.length === 0)
})

test('a lost connection keeps the edits and says how many; they go when it is back', async () => {
  let away = true
  const outbox = new Outbox(shelf(), (edits) =>
    away ? Promise.reject(new TypeError('fetch failed')) : yes(edits),
  )
  outbox.add(edit('a'))
  await until(() => outbox.store.getState().status === 'offline')
  outbox.add(edit('b'))
  expect(outbox.store.getState()).toMatchObject({ status: 'offline', pending: [{ id: 'a' }, { id: 'b' }] })
  away = false
  outbox.flush()
  await until(() => outbox.store.getState().status === 'saved')
})

test('edits of an earlier visit are sent again', async () => {
  const sent: string[] = []
  const outbox = new Outbox(shelf([edit('old')]), (edits) => {
    sent.push(...edits.map(({ id }) => id))
    return yes(edits)
  })
  expect(await outbox.wake()).toEqual([edit('old')])
  await until(() => outbox.store.getState().status === 'saved')
  expect(sent).toEqual(['old'])
})

test('an edit that is refused is set aside and takes no other with it', async () => {
  const place = shelf()
  const fault = { code: 'bad-object', data: {}, path: 'site.latitudeDeg' }
  const stored: string[] = []
  const outbox = new Outbox(place, async (edits) => {
    if (edits.some(({ id }) => id === 'wrong')) throw new Refused(fault)
    stored.push(...edits.map(({ id }) => id))
    return yes(edits)
  })
  for (const id of ['a', 'b', 'wrong', 'c']) outbox.add(edit(id))
  await until(() => outbox.store.getState().status === 'saved')
  expect(stored).toEqual(['a', 'b', 'c'])
  expect(outbox.store.getState().refused).toEqual([{ edit: edit('wrong'), fault }])
  await until(() => place.kept.length === 0)
  // Those that come after it go together again.
  outbox.add(edit('d'))
  outbox.add(edit('e'))
  await until(() => outbox.store.getState().status === 'saved')
  expect(stored).toEqual(['a', 'b', 'c', 'd', 'e'])
  outbox.forget('wrong')
  expect(outbox.store.getState().refused).toEqual([])
})

test('conflicts wait for the designer', async () => {
  const meeting = new Outbox(shelf(), async ([first]) => ({
    saved: [],
    conflicts: first ? [{ id: first.id, documentId: 'house', objects: [] }] : [],
  }))
  meeting.add(edit('b'))
  await until(() => meeting.store.getState().conflicts.length === 1)
  meeting.settle('b')
  expect(meeting.store.getState()).toMatchObject({ conflicts: [], status: 'saved' })
})
