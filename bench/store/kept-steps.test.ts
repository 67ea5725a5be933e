import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { type AnyObject } from '@/core/kinds/index'
import { DocumentStore, houseId } from './documents'
import { keepSteps, type StepStorage } from './kept-steps'

const chimney = (x: number): AnyObject => ({ ...defaultChimney, id: 'a', center: [x, 0] })
const place = (store: DocumentStore) => {
  const object = store.house['a']
  return object?.kind === 'chimney' ? object.center[0] : undefined
}
const put = (store: DocumentStore, x: number) =>
  store.edit(`Put ${x}`, houseId, (before) => ({ ...before, a: chimney(x) }))

/** Storage with room for so many characters. */
function storage(room = Infinity): StepStorage & { readonly held: Map<string, string> } {
  const held = new Map<string, string>()
  return {
    held,
    getItem: (key) => held.get(key) ?? null,
    setItem: (key, text) => {
      if (text.length > room) throw new DOMException('full', 'QuotaExceededError')
      held.set(key, text)
    },
    removeItem: (key) => void held.delete(key),
  }
}
const open = (x: number) => new DocumentStore({ [houseId]: { a: chimney(x) } }, [])

test('after a reload the same steps are taken back and done again', () => {
  const kept = storage()
  const first = open(0)
  keepSteps(first, 'job', kept)
  for (const x of [1, 2, 3]) put(first, x)
  first.undo()
  // The reloaded page begins with what the server has.
  const second = open(2)
  keepSteps(second, 'job', kept)
  expect(second.redo()?.label).toBe('Put 3')
  expect(place(second)).toBe(3)
  for (const expected of [2, 1, 0]) {
    second.undo()
    expect(place(second)).toBe(expected)
  }
  expect(second.undo()).toBeNull()
})

test('what somebody else has changed in between stays as they left it', () => {
  const kept = storage()
  const first = open(0)
  keepSteps(first, 'job', kept)
  put(first, 1)
  const second = open(7)
  const left: string[] = []
  second.onLeftAlone((ids) => left.push(...ids))
  keepSteps(second, 'job', kept)
  second.undo()
  expect([place(second), left]).toEqual([7, ['a']])
})

test('one job’s steps are not another’s; garbage is none; nothing is kept once it is stopped', () => {
  const kept = storage()
  const first = open(0)
  const stop = keepSteps(first, 'job', kept)
  put(first, 1)
  stop()
  put(first, 2)
  const other = open(0)
  keepSteps(other, 'other job', kept)
  expect(other.undo()).toBeNull()
  const second = open(1)
  keepSteps(second, 'job', kept)
  expect(second.undo()?.label).toBe('Put 1')
  for (const garbage of [
    '{',
    '{"version":2,"done":[],"undone":[]}',
    '{"version":1,"done":[{"label":1}],"undone":[]}',
    'null',
  ]) {
    kept.held.set('steps of job', garbage)
    const third = open(1)
    keepSteps(third, 'job', kept)
    expect(third.undo()).toBeNull()
  }
})

test('where there is little room the latest steps are kept, and where there is none, none', () => {
  const small = storage(4000)
  const first = open(0)
  keepSteps(first, 'job', small)
  for (let x = 1; x <= 40; x++) put(first, x)
  const second = open(40)
  keepSteps(second, 'job', small)
  expect(second.undo()?.label).toBe('Put 40')
  expect(second.store.getState().done.length).toBeLessThan(20)
  const none = storage(10)
  const third = open(0)
  keepSteps(third, 'job', none)
  put(third, 1)
  expect(none.held.size).toBe(0)
})
