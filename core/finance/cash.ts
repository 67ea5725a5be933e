/**
 * Money over the years. Flow 0 is today (the price paid, below zero); flow k is what year k brings, taken at its end.
 */
export interface CashResult {
  readonly flows: readonly number[]
  /** Sum of the flows up to each year. */
  readonly cumulative: readonly number[]
  /** Years until the cumulated flow reaches zero for good, within the year in proportion; null when it never does. */
  readonly paybackYears: number | null
  /** The same for flows at what they are worth today. */
  readonly discountedPaybackYears: number | null
  readonly npv: number
  /** Share a year; null when none exists or several do. */
  readonly irr: number | null
  readonly irrReason: IrrReason | null
}

/** Why there is no rate of return. */
export type IrrReason = 'no-root' | 'several-roots'

export function cashResult(flows: readonly number[], discountRate: number): CashResult {
  return {
    flows,
    cumulative: cumulated(flows),
    paybackYears: payback(flows),
    discountedPaybackYears: payback(discounted(flows, discountRate)),
    npv: npvOf(flows, discountRate),
    ...rateOf(flows),
  }
}

export function cumulated(flows: readonly number[]): number[] {
  let sum = 0
  return flows.map((flow) => (sum += flow))
}

/** What flows are worth today. */
export const discounted = (flows: readonly number[], rate: number): number[] =>
  flows.map((flow, year) => flow / (1 + rate) ** year)

/** Σ flow / (1 + rate)^year, by Horner's rule. */
export function npvOf(flows: readonly number[], rate: number): number {
  let sum = 0
  for (let year = flows.length - 1; year >= 0; year--) sum = sum / (1 + rate) + (flows[year] as number)
  return sum
}

/** After it the money stays back: 0 where it never was away. */
export function payback(flows: readonly number[]): number | null {
  const end = flows.reduce((sum, flow) => sum + flow, 0)
  return end < 0 ? null : (lastCrossing(flows) ?? 0)
}

/** Where the sum of the flows last comes up from below to zero, within its year in proportion; null where it never does. */
export function lastCrossing(flows: readonly number[]): number | null {
  let [before, crossing] = [0, null as number | null]
  flows.forEach((flow, year) => {
    const after = before + flow
    if (year > 0 && before < 0 && after >= 0) crossing = year - 1 + -before / flow
    before = after
  })
  return crossing
}

/** Rates looked at: from losing 99 % a year to tenfold gain. */
const lowestRate = -0.99
const highestRate = 10
const rateSteps = 2000

/** The internal rate of return where the NPV changes sign exactly once; null where it never or repeatedly does. */
export const irrOf = (flows: readonly number[]): number | null => rateOf(flows).irr

/** The same with the reason where there is none. */
export function rateOf(flows: readonly number[]): Pick<CashResult, 'irr' | 'irrReason'> {
  const [irr, ...more] = irrRoots(flows)
  if (irr === undefined) return { irr: null, irrReason: 'no-root' }
  return more.length > 0 ? { irr: null, irrReason: 'several-roots' } : { irr, irrReason: null }
}

/** Rates at which the NPV changes sign, the lowest first, and no more than two of them. */
function irrRoots(flows: readonly number[]): number[] {
  const roots: number[] = []
  // Even steps of the logarithm of 1 + rate.
  const span = Math.log((1 + highestRate) / (1 + lowestRate))
  const rateAt = (k: number) => (1 + lowestRate) * Math.exp((span * k) / rateSteps) - 1
  let low = rateAt(0)
  let lowValue = npvOf(flows, low)
  for (let k = 1; k <= rateSteps && roots.length < 2; k++) {
    const high = rateAt(k)
    const highValue = npvOf(flows, high)
    if (lowValue === 0) roots.push(low)
    else if (lowValue * highValue < 0) roots.push(bisect(flows, low, high))
    low = high
    lowValue = highValue
  }
  return roots
}

function bisect(flows: readonly number[], from: number, to: number): number {
  let [low, high] = [from, to]
  const sign = Math.sign(npvOf(flows, low))
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2
    if (Math.sign(npvOf(flows, middle)) === sign) low = middle
    else high = middle
  }
  return (low + high) / 2
}
