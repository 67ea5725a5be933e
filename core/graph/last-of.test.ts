import { lastOf } from './last-of'

test('computes once for the same parts in a row, and anew for any other', () => {
  const of = lastOf<number>()
  let computed = 0
  const ask = (...parts: unknown[]) => of(parts, () => ++computed)
  const [a, b] = [{}, {}]
  expect([ask(a, 1, NaN), ask(a, 1, NaN)]).toEqual([1, 1])
  expect(ask(b, 1, NaN)).toBe(2)
  expect(ask(a, 1, NaN)).toBe(3)
  expect(ask(a, 1)).toBe(4)
  expect(ask(a, 2)).toBe(5)
})
