import fc from 'fast-check'
import { levelPayment, loanMonths, loanYears, type LoanTerms } from './loan'

const plain: LoanTerms = {
  principal: 20_000,
  rate: 0.06,
  months: 180,
  interestOnlyMonths: 0,
  balloon: 0,
  paidIn: null,
}

test('20,000 at 6 % over fifteen years is 168.77 a month, as annuity tables have it', () => {
  expect(levelPayment(20_000, 0.005, 180)).toBeCloseTo(168.7714, 4)
  const months = loanMonths(plain)
  expect(months).toHaveLength(180)
  expect(months[0]).toMatchObject({ interest: 100, payment: expect.closeTo(168.7714, 4) as number })
  expect(months[0]?.balance).toBeCloseTo(20_000 - 68.7714, 3)
  expect(months.at(-1)?.payment).toBeCloseTo(168.7714, 4)
  expect(months.at(-1)?.balance).toBe(0)
})

test('interest alone at first, then the level payment of what is left', () => {
  const months = loanMonths({ ...plain, interestOnlyMonths: 12 })
  expect(months.slice(0, 12).map(({ payment }) => payment)).toEqual(Array.from({ length: 12 }, () => 100))
  expect(months[12]?.payment).toBeCloseTo(levelPayment(20_000, 0.005, 168), 9)
})

test('a balloon is due with the last payment', () => {
  const months = loanMonths({ ...plain, balloon: 5000 })
  expect(months[0]?.payment).toBeCloseTo(levelPayment(20_000, 0.005, 180, 5000), 9)
  expect(months.at(-2)?.balance).toBeCloseTo((5000 + (months[0]?.payment ?? 0)) / 1.005, 6)
  expect(months.at(-1)?.payment).toBeCloseTo(5000 + (months[0]?.payment ?? 0), 6)
})

test('what is paid in lowers the payments after it; the loan ends when it did', () => {
  const months = loanMonths({ ...plain, paidIn: { month: 18, amount: 6000 } })
  expect(months[17]?.paidIn).toBe(6000)
  const left = months[17]?.balance ?? NaN
  expect(months[18]?.payment).toBeCloseTo(levelPayment(left, 0.005, 162), 9)
  expect(months[18]?.payment).toBeLessThan(months[17]?.payment ?? 0)
  expect(months.at(-1)?.payment).toBeCloseTo(months[18]?.payment ?? NaN, 6)
  // More than is owed: nothing is left to pay.
  const over = loanMonths({ ...plain, paidIn: { month: 2, amount: 50_000 } })
  expect(over[1]?.paidIn).toBeLessThan(20_000)
  expect(over.slice(2).every(({ payment, balance }) => payment === 0 && balance === 0)).toBe(true)
})

test('years add the months up', () => {
  const years = loanYears(loanMonths({ ...plain, months: 18, paidIn: { month: 3, amount: 500 } }), 3)
  const months = loanMonths({ ...plain, months: 18, paidIn: { month: 3, amount: 500 } })
  expect(years[0]?.paid).toBeCloseTo(500 + months.slice(0, 12).reduce((sum, one) => sum + one.payment, 0), 9)
  expect(years[0]?.owed).toBe(months[11]?.balance)
  expect(years[1]?.owed).toBe(0)
  expect(years[2]).toEqual({ paid: 0, owed: 0 })
})

test('any loan: what is paid, at what it was worth on the first day, is what was lent', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 1_000_000 }),
      fc.integer({ min: 0, max: 400 }),
      fc.integer({ min: 1, max: 480 }),
      fc.integer({ min: 0, max: 120 }),
      fc.integer({ min: 0, max: 100 }),
      fc.option(
        fc.record({ month: fc.integer({ min: 1, max: 60 }), amount: fc.integer({ min: 0, max: 20_000 }) }),
      ),
      (principal, permille, months, interestOnlyMonths, percent, paidIn) => {
        const rate = permille / 1000
        const found = loanMonths({
          principal,
          rate,
          months,
          interestOnlyMonths,
          balloon: (principal * percent) / 100,
          paidIn,
        })
        const worth = found.reduce(
          (sum, { payment, paidIn: extra }, k) => sum + (payment + extra) / (1 + rate / 12) ** (k + 1),
          0,
        )
        expect(Math.abs(worth / principal - 1)).toBeLessThan(1e-9)
        expect(found.at(-1)?.balance).toBe(0)
        expect(Math.min(...found.map(({ payment }) => payment))).toBeGreaterThan(-1e-6)
        expect(Math.min(...found.map(({ balance }) => balance))).toBeGreaterThan(-1e-6)
      },
    ),
    { seed: 15, numRuns: 1000 },
  )
})
