import { discounted, lastCrossing, npvOf, rateOf, type IrrReason } from './cash'

/** What a system costs and brings, year by year, in money of the year. */
export interface CashPlan {
  readonly years: number
  readonly capital: number
  /** Paid at once, off the capital. */
  readonly incentives: number
  /** Of each year, or the first year's with what it grows and what the modules lose a year. */
  readonly savings:
    | readonly number[]
    | { readonly firstYear: number; readonly escalation: number; readonly degradation: number }
  readonly upkeep: number
  readonly upkeepEscalation: number
  readonly discountRate: number
  /** An annuity, paid at the ends of years. */
  readonly loan: { readonly principal: number; readonly rate: number; readonly years: number } | null
  readonly replacements: readonly { readonly year: number; readonly cost: number }[]
}

export interface PlanResult {
  /** Year 0 is today; year k is what its end brings. */
  readonly cashFlow: readonly number[]
  readonly paybackYears: number | null
  readonly discountedPaybackYears: number | null
  readonly npv: number
  /** Share a year; null with the reason beside it. */
  readonly irr: number | null
  readonly irrReason: IrrReason | null
}

/** The yearly payment that pays a loan off: principal x r / (1 - (1 + r)^-n), or even parts without interest. */
export const annuityOf = ({ principal, rate, years }: NonNullable<CashPlan['loan']>): number =>
  rate === 0 ? principal / years : principal * (rate / -Math.expm1(-years * Math.log1p(rate)))

export function planResult(plan: CashPlan): PlanResult {
  const { discountRate } = plan
  const cashFlow = flowsOf(plan)
  return {
    cashFlow,
    paybackYears: lastCrossing(cashFlow),
    discountedPaybackYears: lastCrossing(discounted(cashFlow, discountRate)),
    npv: npvOf(cashFlow, discountRate),
    ...rateOf(cashFlow),
  }
}

function flowsOf(plan: CashPlan): number[] {
  const { years, capital, incentives, savings, upkeep, upkeepEscalation, loan, replacements } = plan
  const saved = (year: number): number =>
    'firstYear' in savings
      ? savings.firstYear * (1 + savings.escalation) ** (year - 1) * (1 - savings.degradation) ** (year - 1)
      : (savings[year - 1] ?? 0)
  const payment = loan ? annuityOf(loan) : 0
  return Array.from({ length: years + 1 }, (_, year) => {
    const replaced = replacements.reduce((sum, { year: at, cost }) => (at === year ? sum + cost : sum), 0)
    if (year === 0) return -(capital - incentives - (loan?.principal ?? 0)) - replaced
    const kept = upkeep * (1 + upkeepEscalation) ** (year - 1)
    const paid = loan && year <= loan.years ? payment : 0
    return saved(year) - kept - paid - replaced
  })
}
