import { setTimeout as wait } from 'node:timers/promises'
import { emptyChange } from '@/core/model/change'
import { Outbox, Refused, type OutboxShelf, type PendingEdit, type SendResult } from './outbox'

const edit = (id: string): PendingEdit => ({ id, documentId: 'house', change: emptyChange })

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

test('a refusal stops and is said; conflicts wait for the designer', async () => {
  const refusing = new Outbox(shelf(), () => Promise.reject(new Refused('house.site.latitudeDeg: too big')))
  refusing.add(edit('a'))
  await until(() => refusing.store.getState().status === 'refused')
  expect(refusing.store.getState().refusal).toMatch(/latitudeDeg/)
  const meeting = new Outbox(shelf(), async ([first]) => ({
    saved: [],
    conflicts: first ? [{ id: first.id, documentId: 'house', objects: [] }] : [],
  }))
  meeting.add(edit('b'))
  await until(() => meeting.store.getState().conflicts.length === 1)
  meeting.settle('b')
  expect(meeting.store.getState()).toMatchObject({ conflicts: [], status: 'saved' })
})
