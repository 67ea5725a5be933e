import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { type Change, type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { Fault } from '@/core/model/fault'
import { DocumentStore, houseId } from '../store/documents'
import { Reel, type PastEdit } from './reel'

const chimney = (x: number): AnyObject => ({ ...defaultChimney, id: 'a', center: [x, 0] })
const moved = (from: number, to: number): Change => ({
  added: {},
  removed: {},
  updated: { a: [chimney(from), chimney(to)] },
})

/** A chimney that was moved one metre an edit, two edits a revision: the log of it in parts of three. */
function bench(count: number) {
  const edits = Array.from({ length: count }, (_, n): PastEdit => ({
    id: `e${n}`,
    documentId: houseId,
    revision: 2 + Math.floor(n / 2),
    change: moved(n, n + 1),
    kinds: { chimney: 1 },
    by: n % 2 ? 'Ada' : 'Bo',
    at: '2026-11-01T10:00:00.000Z',
  })).toReversed()
  const now: Record<string, Objects> = { [houseId]: { a: chimney(count) } }
  const documents = new DocumentStore(now, [])
  const asked: string[] = []
  const state = { up: true, refused: 0 }
  const sync = { base: now, revision: edits[0]?.revision ?? 1 }
  const reel = new Reel({
    documents,
    sync,
    onRefused: () => state.refused++,
    ask: async (before) => {
      asked.push(before)
      if (!state.up) return { fault: new Fault('server-away') }
      const [revision = 0, place = 0] = before.split('.').map(Number)
      const older = edits.filter(
        (e) => e.revision < revision || (e.revision === revision && Number(e.id.slice(1)) % 2 < place),
      )
      const last = older[2]
      return {
        edits: older.slice(0, 3),
        before: last && older.length > 3 ? `${last.revision}.${Number(last.id.slice(1)) % 2}` : null,
        count: older.length,
        versions: [{ id: 'v', name: 'Sent', revision: 3, by: 'Ada', at: '' }],
      }
    },
  })
  const x = () => (documents.house['a'] as { center: readonly number[] }).center[0]
  return { reel, documents, sync, x, asked, state }
}

test('the log is read to its beginning, and each moment is shown; today is as it was before', async () => {
  const { reel, x, asked, documents } = bench(10)
  await reel.read()
  expect(asked).toHaveLength(4)
  expect(reel.store.getState()).toMatchObject({ reach: 10, count: 10, reading: false, fault: null })
  const today = documents.house
  for (const back of [3, 10, 0, 7]) {
    reel.go(back)
    expect(x()).toBe(10 - back)
  }
  reel.go(99)
  expect(x()).toBe(0)
  reel.close()
  expect(documents.house).toBe(today)
})

test('nothing is edited in the past, and whoever tries hears of it', async () => {
  const { reel, x, documents, state } = bench(6)
  await reel.read()
  documents.edit('Move', houseId, () => ({ a: chimney(6.5) }))
  documents.undo()
  documents.edit('Move', houseId, () => ({ a: chimney(6.5) }))
  const heard: Change[] = []
  documents.onChange((_id, change) => heard.push(change))
  reel.go(2)
  expect(x()).toBe(4)
  expect(documents.edit('Move', houseId, () => ({})).fault?.code).toBe('looking-back')
  expect(documents.set('Move', houseId, 'a', { heightM: 2 })?.code).toBe('looking-back')
  expect([documents.undo(), documents.redo()]).toEqual([null, null])
  documents.begin()
  documents.preview(houseId, () => ({}))
  documents.cancel()
  expect([x(), documents.isInGesture]).toEqual([4, true])
  expect(state.refused).toBe(3)
  reel.lookAhead()
  expect([x(), documents.isInGesture, heard.length]).toEqual([6.5, false, 0])
})

test('a moment is restored as one edit on top of what others did meanwhile, and undo takes it back', async () => {
  const { reel, x, documents } = bench(6)
  await reel.read()
  reel.go(4)
  // An edit of somebody else waits while the past is on the screen, and is shown when it ends.
  documents.onEnd(() => documents.take({ [houseId]: { a: chimney(40) }, 'option-z': { b: chimney(1) } }))
  const heard: [string, Change][] = []
  documents.onChange((id, change) => heard.push([id, change]))
  const { step } = reel.restore('Restore')
  expect(heard.map(([id]) => id).sort()).toEqual([houseId, 'option-z'])
  expect(heard.find(([id]) => id === houseId)?.[1]).toEqual(moved(40, 2))
  expect(step?.label).toBe('Restore')
  expect(reel.store.getState().back).toBe(0)
  expect(x()).toBe(40)
})

test('a server that is away is said, and the reading goes on from there', async () => {
  const { reel, state, asked } = bench(10)
  state.up = false
  await reel.read()
  expect(reel.store.getState()).toMatchObject({ reach: 0, reading: false })
  expect(reel.store.getState().fault?.code).toBe('server-away')
  state.up = true
  const reading = reel.readOn()
  await Promise.resolve()
  await reading
  expect(reel.store.getState()).toMatchObject({ reach: 10, fault: null })
  // Once more from the middle: nothing is known twice.
  asked.length = 0
  await reel.readOn()
  expect(reel.store.getState().edits).toHaveLength(10)
  expect(new Set(reel.store.getState().edits.map(({ id }) => id)).size).toBe(10)
})

test('a reading that is overtaken stops, and one that was closed shows nothing', async () => {
  const { reel, x } = bench(10)
  const first = reel.read()
  const second = reel.read()
  await Promise.all([first, second])
  expect(reel.store.getState().edits).toHaveLength(10)
  const third = reel.read()
  reel.close()
  await third
  expect(x()).toBe(10)
})

test('today is what is stored by now, whatever was read', async () => {
  const { reel, sync } = bench(4)
  await reel.read()
  sync.revision = 9
  expect(reel.revisionShown()).toBe(9)
  reel.go(2)
  expect(reel.revisionShown()).toBe(2)
})

test('a moment can be named where a revision ends, and a name leads to its moment', async () => {
  const { reel } = bench(10)
  await reel.read()
  const shown = (back: number) => {
    reel.go(back)
    return reel.revisionShown()
  }
  // Edits of the revisions 2 to 6, two of each.
  expect([0, 1, 2, 3, 4, 8, 9, 10].map(shown)).toEqual([6, null, 5, null, 4, 2, null, 1])
  expect(reel.backOf({ revision: 3 })).toBe(6)
  expect(reel.reaches({ revision: 3 })).toBe(true)
})
