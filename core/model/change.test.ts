import fc from 'fast-check'
import {
  applyChange,
  changeBetween,
  checkChange,
  conflictsOf,
  invertChange,
  isEmptyChange,
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

test('changes of different objects do not conflict; of the same one they do, unless they agree', () => {
  const start = objectsOf([0, 0, 0, 0])
  const mine = changeBetween(start, objectsOf([1, 0, 0, 0]))
  expect(conflictsOf(objectsOf([0, 2, 0, null]), mine)).toEqual([])
  expect(conflictsOf(objectsOf([1, 0, 0, 0]), mine)).toEqual([])
  expect(conflictsOf(objectsOf([3, 0, 0, 0]), mine)).toMatchObject([
    { id: 'c0', theirs: { center: [3, 0] }, ours: { center: [1, 0] } },
  ])
  expect(conflictsOf(objectsOf([null, 0, 0, 0]), mine)).toMatchObject([{ id: 'c0', theirs: null }])
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
