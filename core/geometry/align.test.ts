import fc from 'fast-check'
import { alignments, shiftsTo, type Span } from './align'

const spans = fc.array(
  fc
    .record({
      low: fc.double({ min: -50, max: 50, noNaN: true }),
      width: fc.double({ min: 0, max: 9, noNaN: true }),
    })
    .map(({ low, width }): Span => ({ low, high: low + width })),
  { minLength: 0, maxLength: 9 },
)
const moved = (given: readonly Span[], shifts: readonly number[]): Span[] =>
  given.map(({ low, high }, i) => ({ low: low + (shifts[i] ?? NaN), high: high + (shifts[i] ?? NaN) }))

test('two boxes and a third between them, by hand', () => {
  const three = [
    { low: 0, high: 1 },
    { low: 9, high: 10 },
    { low: 2, high: 4 },
  ]
  expect(shiftsTo(three, 'low')).toEqual([0, -9, -2])
  expect(shiftsTo(three, 'high')).toEqual([9, 0, 6])
  expect(shiftsTo(three, 'middle')).toEqual([4.5, -4.5, 2])
  // 10 m hold 4 m of boxes: 3 m between each.
  expect(shiftsTo(three, 'even')).toEqual([0, 0, 2])
  expect(shiftsTo(three.slice(0, 2), 'even')).toEqual([0, 0])
  expect(shiftsTo(three.slice(0, 1), 'high')).toEqual([0])
})

test('whatever is aligned stands in line, stays within its ends, and is not moved a second time', () => {
  fc.assert(
    fc.property(spans, fc.constantFrom(...alignments), (given, alignment) => {
      const shifts = shiftsTo(given, alignment)
      expect(shifts).toHaveLength(given.length)
      const after = moved(given, shifts)
      for (const again of shiftsTo(after, alignment)) expect(Math.abs(again)).toBeLessThan(1e-8)
      if (given.length < 2) return
      const [low, high] = [Math.min(...given.map((s) => s.low)), Math.max(...given.map((s) => s.high))]
      const taken = given.reduce((sum, span) => sum + span.high - span.low, 0)
      const hasRoom = alignment !== 'even' || taken <= high - low
      for (const span of hasRoom ? after : []) {
        expect(span.low).toBeGreaterThan(low - 1e-9)
        expect(span.high).toBeLessThan(high + 1e-9)
        if (alignment === 'low') expect(span.low).toBeCloseTo(low, 9)
        if (alignment === 'high') expect(span.high).toBeCloseTo(high, 9)
        if (alignment === 'middle') expect(span.low + span.high).toBeCloseTo(low + high, 9)
      }
      if (alignment !== 'even' || given.length < 3) return
      const order = given.map((_, i) => i).sort((i, k) => middle(given[i]) - middle(given[k]) || i - k)
      const gaps = order.slice(1).map((i, k) => {
        const [before, here] = [after[order[k] ?? -1], after[i]]
        return hasRoom ? (here?.low ?? NaN) - (before?.high ?? NaN) : middle(here) - middle(before)
      })
      for (const gap of gaps) expect(Math.abs(gap - (gaps[0] ?? NaN))).toBeLessThan(1e-8)
    }),
    { seed: 31, numRuns: 1000 },
  )
})

const middle = (span: Span | undefined) => ((span?.low ?? NaN) + (span?.high ?? NaN)) / 2
