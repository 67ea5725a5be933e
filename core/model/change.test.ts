import fc from 'fast-check'
import {
  applyChange,
  changeBetween,
  checkChange,
  answeredChange,
  invertChange,
  isEmptyChange,
  mergeChange,
  sameValue,
} from './change'
import { Fault } from './fault'
import { type ObjectBase, type ObjectsOf } from './object-base'

interface Thing extends ObjectBase {
  readonly center: readonly [number, number]
}
const thing = (id: string, x: number): Thing => ({ id, kind: 'thing', center: [x, 0] })
const objectsOf = (places: readonly (number | null)[]): ObjectsOf<Thing> =>
  Object.fromEntries(places.flatMap((x, i) => (x === null ? [] : [[`c${i}`, thing(`c${i}`, x)]])))
const state = fc
  .array(fc.option(fc.integer({ min: 0, max: 3 }), { nil: null }), { minLength: 4, maxLength: 4 })
  .map(objectsOf)

test('a change brings before to after, its inverse back', () => {
  fc.assert(
    fc.property(state, state, (a, b) => {
      const ab = changeBetween(a, b)
      expect(applyChange(a, ab)).toEqual(b)
      expect(applyChange(b, invertChange(ab))).toEqual(a)
      expect(isEmptyChange(changeBetween(a, a))).toBe(true)
    }),
    { seed: 17 },
  )
})

test('changes of different objects merge; of the same field they conflict, unless they agree', () => {
  const start = objectsOf([0, 0, 0, 0])
  const mine = changeBetween(start, objectsOf([1, 0, 0, 0]))
  const merged = (current: ObjectsOf<Thing>) => mergeChange(current, mine)
  expect(merged(objectsOf([0, 2, 0, null]))).toEqual({ objects: objectsOf([1, 2, 0, null]), conflicts: [] })
  expect(merged(objectsOf([1, 0, 0, 0])).conflicts).toEqual([])
  expect(merged(objectsOf([3, 0, 0, 0]))).toMatchObject({
    objects: objectsOf([3, 0, 0, 0]),
    conflicts: [{ id: 'c0', fields: ['center'], theirs: { center: [3, 0] }, ours: { center: [1, 0] } }],
  })
  expect(merged(objectsOf([null, 0, 0, 0])).conflicts).toMatchObject([{ id: 'c0', fields: [], theirs: null }])
})

interface Jar extends ObjectBase {
  readonly red: number
  readonly blue: number
  readonly lid?: boolean
}
const jar = (red: number, blue: number, lid?: boolean): Jar => ({
  id: 'jar',
  kind: 'jar',
  red,
  blue,
  ...(lid === undefined ? {} : { lid }),
})

test('fields of one object merge three ways, those that come and go too', () => {
  const mine = changeBetween({ jar: jar(0, 0, true) }, { jar: jar(1, 0) })
  expect(mergeChange({ jar: jar(0, 7, true) }, mine)).toEqual({ objects: { jar: jar(1, 7) }, conflicts: [] })
  expect(mergeChange({ jar: jar(5, 7, true) }, mine)).toMatchObject({
    objects: { jar: jar(5, 7) },
    conflicts: [{ id: 'jar', fields: ['red'] }],
  })
  expect(mergeChange({ jar: jar(1, 7) }, mine).conflicts).toEqual([])
})

test('what two hands made of an object must be allowed; where it is not, theirs stays and all is asked', () => {
  const mine = changeBetween({ jar: jar(0, 0) }, { jar: jar(6, 0) })
  const few = ({ red, blue }: Jar) => red + blue < 10
  expect(mergeChange({ jar: jar(0, 3) }, mine, few)).toEqual({ objects: { jar: jar(6, 3) }, conflicts: [] })
  expect(mergeChange({ jar: jar(0, 7) }, mine, few)).toMatchObject({
    objects: { jar: jar(0, 7) },
    conflicts: [{ id: 'jar', fields: ['red'] }],
  })
})

test('an answer does what it says and touches nothing else', () => {
  const mine = changeBetween({ jar: jar(0, 0) }, { jar: jar(1, 2) })
  const now = { jar: jar(5, 0) }
  const after = (answer: 'ours' | 'theirs') => applyChange(now, answeredChange(now, mine, answer))
  expect(after('ours')).toEqual({ jar: jar(1, 2) })
  expect(after('theirs')).toEqual({ jar: jar(5, 2) })
  const gone = changeBetween({ jar: jar(0, 0) }, {})
  expect(applyChange(now, answeredChange(now, gone, 'ours'))).toEqual({})
  expect(isEmptyChange(answeredChange(now, gone, 'theirs'))).toBe(true)
  expect(applyChange({}, answeredChange({}, mine, 'ours'))).toEqual({ jar: jar(1, 2) })
})

test('merging is doing where nothing happened meanwhile, whatever the change', () => {
  fc.assert(
    fc.property(state, state, state, (a, b, c) => {
      const ab = changeBetween(a, b)
      expect(mergeChange(a, ab)).toEqual({ objects: b, conflicts: [] })
      expect(mergeChange(b, ab)).toEqual({ objects: b, conflicts: [] })
      // Onto anything else: what is not in conflict is as wanted, what is stays.
      const { objects, conflicts } = mergeChange(c, ab)
      const met = new Set(conflicts.map(({ id }) => id))
      for (const id of ['c0', 'c1', 'c2', 'c3']) {
        const touched = id in ab.added || id in ab.updated || id in ab.removed
        expect(objects[id]).toEqual(touched && !met.has(id) ? b[id] : c[id])
      }
    }),
    { seed: 23, numRuns: 400 },
  )
})

test('an entry under another id is refused', () => {
  const change = { added: { a: thing('b', 0) }, updated: {}, removed: {} }
  expect(() => checkChange(change)).toThrow(new Fault('bad-change', { id: 'a' }, 'a'))
})

test('equal values are equal whatever the order of their keys', () => {
  expect(sameValue({ a: 1, b: [1, { c: 2 }] }, { b: [1, { c: 2 }], a: 1 })).toBe(true)
  expect(sameValue({ a: 1 }, { a: 1, b: undefined })).toBe(false)
  expect(sameValue([1, 2], { 0: 1, 1: 2 })).toBe(false)
})
