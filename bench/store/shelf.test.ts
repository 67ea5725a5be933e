import 'fake-indexeddb/auto'
import { set } from 'idb-keyval'
import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { type PendingEdit, type ShelvedEdit } from './outbox'
import { browserShelf } from './shelf'

const edit = (id: string): PendingEdit => ({
  id,
  documentId: 'house',
  change: { added: { [id]: { ...defaultChimney, id, center: [0, 0] } }, updated: {}, removed: {} },
})
const waiting = (id: string): ShelvedEdit => ({ state: 'waiting', edit: edit(id) })
const idsOf = (shelved: readonly ShelvedEdit[]) => shelved.map(({ edit: { id } }) => id)

/** Locks as a browser has them: one holder a name, the others wait their turn. */
function locks(): Pick<LockManager, 'request' | 'query'> {
  const held = new Map<string, Promise<unknown>>()
  const request = async (name: string, work: () => unknown) => {
    for (let before = held.get(name); before; before = held.get(name)) await before
    const done = Promise.resolve().then(work)
    held.set(
      name,
      done.finally(() => held.delete(name)),
    )
    return done
  }
  const query = async () => ({ held: [...held.keys()].map((name) => ({ name })), pending: [] })
  return { request, query } as unknown as Pick<LockManager, 'request' | 'query'>
}

beforeEach(() => {
  Object.defineProperty(globalThis, 'navigator', { value: { locks: locks() }, configurable: true })
})

test('what a tab put there it finds again after a reload, in its order, each job by itself', async () => {
  const before = browserShelf('job-reload', 'one')
  for (const id of ['c', 'a', 'b']) await before.put(waiting(id))
  await browserShelf('job-other', 'one').put(waiting('x'))
  before.release()
  expect(idsOf(await browserShelf('job-reload', 'one').adopt())).toEqual(['c', 'a', 'b'])
})

test('an edit put again keeps its place; one that is removed is gone', async () => {
  const shelf = browserShelf('job-again', 'one')
  for (const id of ['a2', 'b2', 'c2']) await shelf.put(waiting(id))
  await shelf.put({ ...waiting('a2'), state: 'waiting' })
  await shelf.remove(['b2'])
  expect(idsOf(await shelf.adopt())).toEqual(['a2', 'c2'])
})

test('two tabs never see each other’s edits while both are there; who leaves is taken over once', async () => {
  const [one, two] = [browserShelf('job-tabs', 'one'), browserShelf('job-tabs', 'two')]
  await Promise.all([one.put(waiting('from-one')), two.put(waiting('from-two'))])
  expect(idsOf(await one.adopt())).toEqual(['from-one'])
  two.release()
  await new Promise((done) => setTimeout(done))
  const [third, fourth] = [browserShelf('job-tabs', 'three'), browserShelf('job-tabs', 'four')]
  const taken = await Promise.all([third.adopt(), fourth.adopt()])
  expect(taken.map(idsOf).flat()).toEqual(['from-two'])
})

test('what an earlier version kept under one key a job comes over, once', async () => {
  await set('outbox:job-old', [edit('old-1'), edit('old-2')])
  const shelf = browserShelf('job-old', 'one')
  expect(idsOf(await shelf.adopt())).toEqual(['old-1', 'old-2'])
  expect(idsOf(await browserShelf('job-old', 'one').adopt())).toEqual(['old-1', 'old-2'])
  await shelf.remove(['old-1', 'old-2'])
  expect(await shelf.adopt()).toEqual([])
})

test('seeded tabs that put, leave and come: every edit is in exactly one place', async () => {
  const kept = new Set<string>()
  const open = new Map<string, { shelf: ReturnType<typeof browserShelf>; has: Set<string> }>()
  let [seed, names, edits] = [7, 0, 0]
  const random = (n: number) => (seed = (seed * 48_271) % 2_147_483_647) % n
  const come = async () => {
    const shelf = browserShelf('job-many', `tab-${names++}`)
    open.set(`tab-${names - 1}`, { shelf, has: new Set(idsOf(await shelf.adopt())) })
  }
  await come()
  for (let step = 0; step < 200; step++) {
    const tabs = [...open]
    const [name, tab] = tabs[random(tabs.length)] ?? ['', undefined]
    if (!tab || tabs.length < 2 || random(5) === 0) await come()
    else if (random(6) === 0) {
      tab.shelf.release()
      open.delete(name)
      await new Promise((done) => setTimeout(done))
    } else if (random(3) === 0 && tab.has.size > 0) {
      const [first = ''] = tab.has
      await tab.shelf.remove([first])
      tab.has.delete(first)
      kept.delete(first)
    } else {
      const id = `edit-${edits++}`
      await tab.shelf.put(waiting(id))
      tab.has.add(id)
      kept.add(id)
    }
  }
  await come()
  const places = [...open.values()].flatMap(({ has }) => [...has])
  expect(places.sort()).toEqual([...kept].sort())
})
