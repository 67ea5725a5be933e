import fc from 'fast-check'
import { canonical, digest } from './digest'
import { seededRandom, seedOf } from './random'

test('the order of keys does not matter, that of lists does; what is undefined is not there', () => {
  expect(digest({ a: 1, b: [1, 2] })).toBe(digest({ b: [1, 2], a: 1 }))
  expect(digest([1, 2])).not.toBe(digest([2, 1]))
  expect(digest({ a: 1, b: undefined })).toBe(digest({ a: 1 }))
  expect(canonical({ b: null, a: ['x', { d: true, c: 0.1 }] })).toBe(
    '{"a":["x",{"c":0.1,"d":true}],"b":null}',
  )
})

test('a number, its text and its list are three things; small changes change the digest', () => {
  const all = [1, '1', [1], { 1: 1 }, null, true, 'true', '', [], {}].map((value) => digest(value))
  expect(new Set(all).size).toBe(all.length)
  fc.assert(
    fc.property(
      fc.json(),
      fc.json(),
      (a, b) =>
        (canonical(JSON.parse(a)) === canonical(JSON.parse(b))) ===
        (digest(JSON.parse(a)) === digest(JSON.parse(b))),
    ),
    { seed: 9, numRuns: 500 },
  )
})

test('long series, maps and sets have no digest; what has a key of its own is stood for by it', () => {
  for (const value of [new Float64Array(2), new Map(), new Set([1])])
    expect(() => digest({ value })).toThrow(RangeError)
  const keyed = { key: 'k1', series: new Float64Array(3) }
  const standIn = (value: object) => ('key' in value ? String(value.key) : null)
  expect(digest({ keyed }, standIn)).toBe(digest({ keyed: { key: 'k1' } }, standIn))
  expect(digest({ keyed }, standIn)).not.toBe(digest({ keyed: 'k1' }, standIn))
})

test('ten thousand near values have ten thousand digests', () => {
  const seen = new Set(Array.from({ length: 10_000 }, (_, i) => digest({ at: i / 1000, id: 'panel' })))
  expect(seen.size).toBe(10_000)
})

test('seeded numbers are the same every time, within 0..1, and even', () => {
  const draw = (seed: number) => {
    const random = seededRandom(seed)
    return Array.from({ length: 20_000 }, random)
  }
  expect(draw(7)).toEqual(draw(7))
  expect(draw(7).slice(0, 5)).not.toEqual(draw(8).slice(0, 5))
  const values = draw(seedOf('town'))
  expect(Math.min(...values)).toBeGreaterThanOrEqual(0)
  expect(Math.max(...values)).toBeLessThan(1)
  const tenths = new Array<number>(10).fill(0)
  for (const value of values) tenths[Math.floor(value * 10)] = (tenths[Math.floor(value * 10)] ?? 0) + 1
  for (const count of tenths) expect(Math.abs(count - 2000)).toBeLessThan(200)
})
