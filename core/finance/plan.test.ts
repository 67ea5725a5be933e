import fc from 'fast-check'
import { npvOf } from './cash'
import { annuityOf, planResult, type CashPlan } from './plan'

const plain: CashPlan = {
  years: 3,
  capital: 1000,
  incentives: 100,
  savings: [400, 400, 400],
  upkeep: 0,
  upkeepEscalation: 0,
  discountRate: 0.05,
  loan: null,
  replacements: [],
}

test('by hand: price less incentive, three years of saving', () => {
  const found = planResult(plain)
  expect(found.cashFlow).toEqual([-900, 400, 400, 400])
  // -900, -500, -100, 300
  expect(found.paybackYears).toBeCloseTo(2.25, 12)
  // Discounted: -900, -519.0476, -156.2358, 189.2993
  expect(found.discountedPaybackYears).toBeCloseTo(2 + 156.2358 / 345.5351, 5)
  expect(found.npv).toBeCloseTo(189.2992, 3)
  expect(npvOf(found.cashFlow, found.irr ?? NaN)).toBeCloseTo(0, 6)
  expect(found.irr).toBeCloseTo(0.158885, 5)
})

test('by hand: growth, wear, upkeep and a new inverter in the money of their years', () => {
  const { cashFlow } = planResult({
    ...plain,
    savings: { firstYear: 500, escalation: 0.1, degradation: 0.02 },
    upkeep: 50,
    upkeepEscalation: 0.04,
    replacements: [{ year: 2, cost: 200 }],
  })
  expect(cashFlow[1]).toBeCloseTo(450, 9)
  expect(cashFlow[2]).toBeCloseTo(500 * 1.1 * 0.98 - 52 - 200, 9)
  expect(cashFlow[3]).toBeCloseTo(500 * 1.21 * 0.9604 - 54.08, 9)
})

test('a loan is taken off the first payment and paid back to nothing', () => {
  // 10,000 at 6 % over 10 years: 1,358.68 a year, as annuity tables have it.
  expect(annuityOf({ principal: 10_000, rate: 0.06, years: 10 })).toBeCloseTo(1358.68, 2)
  expect(annuityOf({ principal: 900, rate: 0, years: 3 })).toBe(300)
  const loan = { principal: 900, rate: 0.04, years: 2 }
  const { cashFlow } = planResult({ ...plain, loan })
  const payment = annuityOf(loan)
  expect(cashFlow).toEqual([-0, 400 - payment, 400 - payment, 400].map((v) => expect.closeTo(v, 9) as number))
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 1e6, noNaN: true }),
      fc.double({ min: 0, max: 0.4, noNaN: true }),
      fc.integer({ min: 1, max: 40 }),
      (principal, rate, years) => {
        let left = principal
        for (let year = 0; year < years; year++)
          left = left * (1 + rate) - annuityOf({ principal, rate, years })
        expect(Math.abs(left) / principal / (1 + rate) ** years).toBeLessThan(1e-9)
      },
    ),
    { seed: 5, numRuns: 500 },
  )
})

test('payback is the last time that the sum comes up to zero; without one there is none', () => {
  const of = (...flows: number[]) => {
    const [first = 0, ...savings] = flows
    return planResult({ ...plain, capital: -first, incentives: 0, years: savings.length, savings })
  }
  expect(of(-10, 8, 5).paybackYears).toBeCloseTo(1.4, 12)
  // Back, a new inverter, back again.
  expect(of(-10, 12, -4, 5).paybackYears).toBeCloseTo(2 + 2 / 5, 12)
  expect(of(-10, 10, 1).paybackYears).toBe(1)
  expect(of(-10, 2, 2).paybackYears).toBeNull()
  expect(of(5, 2, 2).paybackYears).toBeNull()
})

test('no rate of return, or several: none is told, and why', () => {
  const of = (...flows: number[]) => {
    const [first = 0, ...savings] = flows
    return planResult({ ...plain, capital: -first, incentives: 0, years: savings.length, savings })
  }
  expect(of(10, 1, 1)).toMatchObject({ irr: null, irrReason: 'no-root' })
  // (1 + r) = 1.1 and 1.2
  expect(of(-100, 230, -132)).toMatchObject({ irr: null, irrReason: 'several-roots' })
  expect(of(-100, 110)).toMatchObject({ irr: expect.closeTo(0.1, 9) as number, irrReason: null })
})

test('the rate of return of any plan with one change of sign makes its worth nothing', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 100, max: 1e5, noNaN: true }),
      fc.array(fc.double({ min: 1, max: 1e5, noNaN: true }), { minLength: 1, maxLength: 40 }),
      (capital, savings) => {
        const { irr, cashFlow } = planResult({
          ...plain,
          capital,
          incentives: 0,
          years: savings.length,
          savings,
        })
        if (irr === null) return
        expect(Math.sign(npvOf(cashFlow, irr - 1e-6))).toBe(1)
        expect(Math.sign(npvOf(cashFlow, irr + 1e-6))).toBe(-1)
      },
    ),
    { seed: 6, numRuns: 1000 },
  )
})
