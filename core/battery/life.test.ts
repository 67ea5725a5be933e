import fc from 'fast-check'
import { warrantyEnd } from './life'

const lived = [100, 90, 80].map((dischargedKwh) => ({ dischargedKwh }))

test('a warranty ends by its years or by what came out, whichever is first', () => {
  expect(warrantyEnd(lived, { years: 2, kwh: 1000 })).toEqual({ years: 2, by: 'age' })
  // 100, and half of the second year's 90.
  expect(warrantyEnd(lived, { years: 2, kwh: 145 })).toEqual({ years: 1.5, by: 'use' })
  expect(warrantyEnd(lived, { years: undefined, kwh: 270 })).toEqual({ years: 3, by: 'use' })
  // Both at once: its years are as good a reason.
  expect(warrantyEnd(lived, { years: 1, kwh: 100 })).toEqual({ years: 1, by: 'age' })
  expect(warrantyEnd(lived, { years: 10, kwh: 271 })).toBeNull()
  expect(warrantyEnd(lived, { years: undefined, kwh: undefined })).toBeNull()
  expect(warrantyEnd([], { years: 10, kwh: 5 })).toBeNull()
})

test('what it is run harder by ends it no later', () => {
  const some = fc.double({ min: 0, max: 500, noNaN: true })
  fc.assert(
    fc.property(
      fc.array(some, { maxLength: 25 }),
      some,
      fc.integer({ min: 1, max: 30 }),
      (out, more, years) => {
        const of = (extra: number) =>
          warrantyEnd(
            out.map((kwh) => ({ dischargedKwh: kwh + extra })),
            { years, kwh: 2000 },
          )?.years ?? Infinity
        expect(of(more)).toBeLessThanOrEqual(of(0) + 1e-9)
        expect(of(0) === Infinity || of(0) <= years).toBe(true)
      },
    ),
    { seed: 4, numRuns: 300 },
  )
})
