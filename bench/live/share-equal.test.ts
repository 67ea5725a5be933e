import fc from 'fast-check'
import { shareEqual } from './share-equal'

test('what has not changed is the one before, what has is new, and the value is the new one', () => {
  const before = { a: [1, { b: 2 }], c: { d: 'x' }, series: Float32Array.of(1, 2), gone: 1 }
  const after = { a: [1, { b: 2 }], c: { d: 'y' }, series: Float32Array.of(1, 2) }
  const shared = shareEqual(before, after)
  expect(shared).toEqual(after)
  expect(shared).not.toBe(before)
  expect(shared.a).toBe(before.a)
  expect(shared.series).toBe(before.series)
  expect(shared.c).not.toBe(before.c)
  expect(shareEqual(before, structuredClone(before))).toBe(before)
  expect(shareEqual({ s: Float32Array.of(1, 2) }, { s: Float32Array.of(1, 3) }).s).toEqual(
    Float32Array.of(1, 3),
  )
  expect(shareEqual([1, 2], { 0: 1, 1: 2 })).toEqual({ 0: 1, 1: 2 })
  expect(shareEqual({ a: undefined }, { b: undefined })).toEqual({ b: undefined })
})

test('whatever two values are, the result is the second', () => {
  const value = fc.jsonValue({ maxDepth: 3 })
  fc.assert(
    fc.property(value, value, (a, b) => {
      const wanted = structuredClone(b)
      expect(shareEqual(a, b)).toEqual(wanted)
      expect(shareEqual(a, structuredClone(a))).toEqual(a)
    }),
    { seed: 3 },
  )
})
