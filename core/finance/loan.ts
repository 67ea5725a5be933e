/** A loan that is paid off by the month. */
export interface LoanTerms {
  readonly principal: number
  /** Nominal interest a year: a twelfth of it is due each month. */
  readonly rate: number
  readonly months: number
  /** Months at the beginning that only interest is paid in. */
  readonly interestOnlyMonths: number
  /** Due with the last payment. */
  readonly balloon: number
  /** Paid in at the end of a month, counted from 1: what follows is lower, not shorter. */
  readonly paidIn: { readonly month: number; readonly amount: number } | null
}

export interface LoanMonth {
  readonly interest: number
  /** Interest and repayment; in the last month the balloon too. */
  readonly payment: number
  /** Paid in on top, from the incentive. */
  readonly paidIn: number
  /** Owed at the month's end. */
  readonly balance: number
}

/** The level payment that takes a balance to `left` in so many months. */
export const levelPayment = (balance: number, monthly: number, months: number, left = 0): number =>
  monthly === 0
    ? (balance - left) / months
    : balance * monthly + (balance - left) * (monthly / Math.expm1(months * Math.log1p(monthly)))

/** The months of a loan; after the last nothing is owed. */
export function loanMonths(terms: LoanTerms): LoanMonth[] {
  const { months, paidIn } = terms
  const monthly = terms.rate / 12
  const resting = Math.min(terms.interestOnlyMonths, months - 1)
  let balance = terms.principal
  let level = 0
  return Array.from({ length: months }, (_, k) => {
    const interest = balance * monthly
    const balloon = Math.min(terms.balloon, balance)
    // Reckoned anew where repayment begins, and after what was paid in.
    if (k === resting || (paidIn && k === paidIn.month && k > resting))
      level = levelPayment(balance, monthly, months - k, balloon)
    const last = k === months - 1
    const payment = last ? balance + interest : k < resting ? interest : level
    balance = last ? 0 : balance + interest - payment
    const extra = !last && paidIn?.month === k + 1 ? Math.min(paidIn.amount, balance) : 0
    balance -= extra
    return { interest, payment, paidIn: extra, balance }
  })
}

/** A year of a loan. */
export interface LoanYear {
  /** Payments, and what is paid in. */
  readonly paid: number
  /** At the year's end. */
  readonly owed: number
}

export function loanYears(months: readonly LoanMonth[], years: number): LoanYear[] {
  return Array.from({ length: years }, (_, year) => {
    const own = months.slice(year * 12, year * 12 + 12)
    return {
      paid: own.reduce((sum, { payment, paidIn }) => sum + payment + paidIn, 0),
      owed: own.at(-1)?.balance ?? 0,
    }
  })
}
