import fc from 'fast-check'
import { type Change, type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { applyChange } from '@/core/model/change'
import { type Role } from '@/core/model/roles'
import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { defaultOffer } from '@/core/kinds/offer/offer'
import { DocumentStore, houseId, withObject } from './documents'

const chimney = (id: string, x: number): AnyObject => ({ ...defaultChimney, id, center: [x, 0] })
const start = (): DocumentStore =>
  new DocumentStore({ [houseId]: { a: chimney('a', 0) }, 'option-a': { offer: defaultOffer } }, ['option-a'])
const put = (store: DocumentStore, id: string, x: number) =>
  store.edit('Put', houseId, (before) => ({ ...before, [id]: chimney(id, x) }))

test('a gesture is one step, however often it was previewed; a cancelled one is none', () => {
  const store = start()
  const heard: Change[] = []
  store.onChange((_id, change) => heard.push(change))
  store.begin()
  for (let x = 1; x <= 9; x++) store.preview(houseId, (before) => ({ ...before, a: chimney('a', x) }))
  store.commit('Drag')
  expect(heard).toHaveLength(1)
  expect(heard[0]?.updated['a']).toMatchObject([{ center: [0, 0] }, { center: [9, 0] }])
  store.begin()
  store.preview(houseId, () => ({}))
  store.cancel()
  expect(store.house['a']).toMatchObject({ center: [9, 0] })
  store.begin()
  store.commit('Nothing')
  expect(heard).toHaveLength(1)
  expect(store.store.getState().done).toHaveLength(1)
})

test('a remedy mends the house for every option, and the option alone where the object is the option’s', () => {
  const store = start()
  const heard: string[] = []
  store.onChange((id) => heard.push(id))
  const mend = (id: string, field: string, value: unknown) =>
    store.mend({ code: 'drop-entered-loss', set: { id, field, value } }, 'option-a')
  expect(mend('a', 'heightM', 2)).toBeNull()
  expect(store.house['a']).toMatchObject({ heightM: 2 })
  expect(mend('offer', 'pricePerWatt', 3)).toBeNull()
  expect(store.document('option-a')['offer']).toMatchObject({ pricePerWatt: 3 })
  expect(heard).toEqual([houseId, 'option-a'])
  expect(mend('offer', 'pricePerWatt', 'dear')).toMatchObject({ code: 'bad-object', path: 'pricePerWatt' })
  expect(mend('nobody', 'heightM', 2)).toMatchObject({ code: 'gone' })
  expect(heard).toHaveLength(2)
})

test('previews start from the state at the mark: nothing accumulates', () => {
  const store = start()
  store.begin()
  const shift = (by: number) =>
    store.preview(houseId, (before) => {
      const a = before['a']
      return a?.kind === 'chimney' ? { ...before, a: { ...a, center: [a.center[0] + by, 0] } } : before
    })
  shift(1)
  shift(2)
  shift(3)
  expect(store.house['a']).toMatchObject({ center: [3, 0] })
})

test('undoing everything is the beginning, redoing everything the end; what is told adds up to what is shown', () => {
  const act = fc.oneof(
    fc.record({ put: fc.constantFrom('a', 'b', 'c'), x: fc.integer({ min: 0, max: 5 }) }),
    fc.record({ drop: fc.constantFrom('a', 'b', 'c') }),
    fc.constantFrom('undo' as const, 'redo' as const),
  )
  fc.assert(
    fc.property(fc.array(act, { maxLength: 25 }), (acts) => {
      const store = start()
      const first = store.house
      let told: Objects = first
      store.onChange((id, change) => {
        if (id === houseId) told = applyChange(told, change)
      })
      for (const a of acts) {
        if (a === 'undo') store.undo()
        else if (a === 'redo') store.redo()
        else if ('put' in a) put(store, a.put, a.x)
        else store.edit('Drop', houseId, (before) => withObject(before, a.drop, null))
        expect(told).toEqual(store.house)
      }
      const end = store.house
      let steps = 0
      while (store.undo()) steps++
      expect(store.house).toEqual(first)
      for (let k = 0; k < steps; k++) store.redo()
      expect(store.house).toEqual(end)
    }),
    { seed: 31, numRuns: 100 },
  )
})

test('a copied option is an option; undone it is gone, redone it is back in its place', () => {
  const store = start()
  store.edit('Copy option', 'option-b', () => store.document('option-a'))
  expect(store.options.map((option) => option.id)).toEqual(['option-a', 'option-b'])
  store.undo()
  expect(store.options.map((option) => option.id)).toEqual(['option-a'])
  store.redo()
  expect(store.options.map((option) => option.id)).toEqual(['option-a', 'option-b'])
})

test('a field that its kind does not allow is said and not taken', () => {
  const store = start()
  expect(store.set('Height', houseId, 'a', { heightM: -1 })).toMatchObject({
    code: 'bad-object',
    path: 'heightM',
    data: { rule: { code: 'at-least', data: { limit: { value: 0.05, unit: 'm' } } } },
  })
  expect(store.set('Height', houseId, 'gone', { heightM: 1 })).toMatchObject({ code: 'gone' })
  expect(store.store.getState().done).toHaveLength(0)
  expect(store.set('Height', houseId, 'a', { heightM: 2 })).toBeNull()
  expect(store.house['a']).toMatchObject({ heightM: 2 })
})

test('an edit that makes an object its kind does not allow is refused whole, whichever way it comes', () => {
  const store = start()
  const heard: Change[] = []
  store.onChange((_id, change) => heard.push(change))
  const before = store.house
  const { step, fault } = store.edit('Move', houseId, (objects) => ({
    ...objects,
    a: chimney('a', 9999),
    b: chimney('b', 1),
  }))
  expect(step).toBeNull()
  expect(fault).toMatchObject({ code: 'bad-object', path: 'a.center.0' })
  store.begin()
  store.preview(houseId, (objects) => ({ ...objects, a: chimney('a', Number.NaN) }))
  expect(store.commit('Drag').fault).toMatchObject({ code: 'bad-object' })
  expect(store.house).toBe(before)
  expect(heard).toEqual([])
  expect(store.store.getState()).toMatchObject({ done: [], undone: [], mark: null })
})

test('a step is taken back wherever it stands, unless its objects have been changed since', () => {
  const store = start()
  const first = put(store, 'b', 1).step
  const second = put(store, 'c', 2).step
  if (!first || !second) throw new Error('both were done')
  // The first one, with another on top of it: an edit of its own that can be undone.
  expect(store.takeBack(first)).toBe(true)
  expect(Object.keys(store.house)).toEqual(['a', 'c'])
  expect(store.undo()?.label).toBe('Put')
  expect(Object.keys(store.house).sort()).toEqual(['a', 'b', 'c'])
  // Somebody has touched it since.
  put(store, 'b', 7)
  expect(store.takeBack(first)).toBe(false)
  expect(store.house['b']).toMatchObject({ center: [7, 0] })
  expect(store.takeBack({ label: 'Unknown', changes: {} })).toBe(false)
  // The last one is undone, and can be redone.
  const last = put(store, 'd', 3).step
  expect(last && store.takeBack(last)).toBe(true)
  expect(store.house['d']).toBeUndefined()
  expect(store.redo()).toBe(last)
})

test('undo leaves alone what somebody else has changed since, and says so; the rest goes back', () => {
  const store = start()
  const left: string[][] = []
  store.onLeftAlone((ids) => left.push([...ids]))
  store.edit('Both', houseId, (before) => ({ ...before, a: chimney('a', 1), b: chimney('b', 1) }))
  // Theirs: another field of one, the same field of the other.
  const shown = store.house
  store.take({
    [houseId]: { ...shown, a: { ...chimney('a', 1), heightM: 2 } as AnyObject, b: chimney('b', 5) },
  })
  store.undo()
  expect(store.house['a']).toMatchObject({ center: [0, 0], heightM: 2 })
  expect(store.house['b']).toMatchObject({ center: [5, 0] })
  expect(left).toEqual([['b']])
  store.redo()
  expect(store.house['a']).toMatchObject({ center: [1, 0], heightM: 2 })
})

test('whoever looks on changes nothing and hears so; an installer adds photos', () => {
  const barred: string[] = []
  const as = (role: Role) =>
    new DocumentStore(
      { [houseId]: { a: chimney('a', 0) }, 'option-a': { offer: defaultOffer } },
      [],
      role,
      () => barred.push(role),
    )
  const photo: AnyObject = {
    id: 'photo-1',
    kind: 'photo',
    caption: '',
    fileId: 'f'.repeat(24),
    takenOn: null,
    about: null,
  }
  for (const role of ['reader', 'installer'] as const) {
    const store = as(role)
    const heard: string[] = []
    store.onChange((id) => heard.push(id))
    expect(put(store, 'b', 1).fault).toMatchObject({ code: 'not-your-role', data: { role } })
    expect(put(store, 'a', 1).fault?.code).toBe('not-your-role')
    expect(store.edit('Remove', houseId, () => ({})).fault?.code).toBe('not-your-role')
    // A photo does not carry anything else in with it.
    const both = () => ({ a: chimney('a', 3), 'photo-1': photo })
    expect(store.edit('Both', houseId, both).fault?.code).toBe('not-your-role')
    expect(store.house).toEqual({ a: chimney('a', 0) })
    expect(store.isInGesture).toBe(false)
    expect(heard).toEqual([])
    const added = store.edit('Photo', houseId, (before) => ({ ...before, 'photo-1': photo }))
    expect(added.fault === null).toBe(role === 'installer')
  }
  expect(barred).toEqual([...Array<string>(5).fill('reader'), ...Array<string>(4).fill('installer')])
  expect(put(as('designer'), 'b', 1).fault).toBeNull()
})
