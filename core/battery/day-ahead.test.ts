import fc from 'fast-check'
import { gatheredAhead, greatestAhead } from './day-ahead'

const series = (least: number) =>
  fc.array(fc.double({ min: least, max: 5, noNaN: true }), { minLength: 1, maxLength: 90 })
const ahead = fc.integer({ min: 1, max: 24 })

test('the greatest ahead by hand', () => {
  expect([...greatestAhead(Float64Array.of(9, 1, 4, 2, 3, 0), 2)]).toEqual([4, 4, 3, 3])
  expect(greatestAhead(Float64Array.of(1, 2), 3)).toHaveLength(0)
})

test('what is gathered by hand: three wanted, two come from the sun on the way, no more than four', () => {
  // From the end: 3, then -2 leaves 1, then 5 makes 6 of which 4 fit.
  expect([...gatheredAhead(Float64Array.of(0, 5, -2, 3), 3, 4)]).toEqual([4])
  // The sun after the need is of no use to it.
  expect([...gatheredAhead(Float64Array.of(0, 3, -2), 2, 4)]).toEqual([3])
})

test('both agree with going through each stretch by itself', () => {
  fc.assert(
    fc.property(series(-5), ahead, fc.double({ min: 0, max: 12, noNaN: true }), (values, length, most) => {
      const given = Float64Array.from(values)
      const greatest = greatestAhead(given, length)
      const gathered = gatheredAhead(given, length, most)
      expect(greatest).toHaveLength(Math.max(0, values.length - length))
      for (let i = 0; i < greatest.length; i++) {
        let [high, sum] = [-Infinity, 0]
        for (let j = i + length; j > i; j--) {
          high = Math.max(high, values[j] ?? NaN)
          sum = Math.max(0, Math.min(most, sum + (values[j] ?? NaN)))
        }
        expect(greatest[i]).toBe(high)
        expect(gathered[i]).toBeCloseTo(sum, 10)
      }
    }),
    { seed: 24, numRuns: 300, endOnFailure: true },
  )
})
