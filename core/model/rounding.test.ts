import { seededRandom } from './random'
import { sharedOut } from './rounding'

test('three thirds of a hundred, by hand', () => {
  expect(sharedOut(100, [33.4, 33.3, 33.3])).toEqual([34, 33, 33])
  expect(sharedOut(-10, [-3.5, -3.3, -3.2])).toEqual([-4, -3, -3])
  expect(sharedOut(0, [])).toEqual([])
  expect(sharedOut(0, [-0.2, 0.2])).toEqual([0, 0])
})

test('parts add up to the rounded sum, and none is off by one or more', () => {
  const random = seededRandom(5)
  for (let round = 0; round < 3000; round++) {
    const parts = Array.from({ length: 1 + Math.floor(random() * 12) }, () => (random() - 0.6) * 5000)
    const whole = Math.round(parts.reduce((sum, part) => sum + part, 0))
    const shared = sharedOut(whole, parts)
    expect(shared.reduce((sum, part) => sum + part, 0)).toBe(whole)
    shared.forEach((part, k) => expect(Math.abs(part - (parts[k] ?? 0))).toBeLessThan(1))
  }
})

test('what parts do not make up goes to the greatest', () => {
  expect(sharedOut(20, [2.4, 9.6])).toEqual([3, 17])
})
