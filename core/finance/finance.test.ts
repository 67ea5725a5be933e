import fc from 'fast-check'
import { cashResult, irrOf, npvOf } from './cash'

test('by hand: 1000 paid, 400 a year for four years at 10 %', () => {
  const r = cashResult([-1000, 400, 400, 400, 400], 0.1)
  expect(r.paybackYears).toBeCloseTo(2.5, 12)
  // 400 * (1 - 1.1^-4) / 0.1 = 1267.946
  expect(r.npv).toBeCloseTo(267.946, 3)
  expect(r.irr).toBeCloseTo(0.21862, 5)
  expect(r.cumulative).toEqual([-1000, -600, -200, 200, 600])
})

test('never paid back: no payback, no rate above nothing', () => {
  const r = cashResult([-1000, 100, 100], 0.05)
  expect(r.paybackYears).toBeNull()
  expect(r.irr).toBeLessThan(0)
})

test('several rates or none are said as none', () => {
  // Roots at 10 % and 20 %: (1+r)^2 - 2.3 (1+r) + 1.32 = 0.
  expect(irrOf([-100, 230, -132])).toBeNull()
  expect(irrOf([100, 100])).toBeNull()
})

test('a replacement that dips under zero again counts: payback is the last crossing', () => {
  expect(cashResult([-100, 150, -100, 100], 0).paybackYears).toBeCloseTo(2.5, 12)
})

test('at its internal rate the NPV is nothing', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 100, max: 1e5, noNaN: true }),
      fc.array(fc.double({ min: 1, max: 1e4, noNaN: true }), { minLength: 5, maxLength: 30 }),
      (price, gains) => {
        const flows = [-price, ...gains]
        const irr = irrOf(flows)
        if (irr === null) return
        expect(Math.abs(npvOf(flows, irr))).toBeLessThan(1e-3 * price)
      },
    ),
    { seed: 9, numRuns: 50 },
  )
})
