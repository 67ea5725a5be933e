import { isSameOutline } from './same-outline'

const lot = [
  [0, 0],
  [20, 0],
  [20, 30],
] as const

test('outlines are the same wherever they begin, and not when a corner is moved or one is more', () => {
  expect(isSameOutline(lot, [lot[1], lot[2], [0.01, 0]])).toBe(true)
  expect(isSameOutline(lot, [lot[0], lot[1], [20, 30.1]])).toBe(false)
  expect(isSameOutline(lot, [...lot, [0, 30]])).toBe(false)
  expect(isSameOutline(lot, [lot[2], lot[1], lot[0]])).toBe(false)
  expect(isSameOutline([], [])).toBe(false)
})
