/**
 * Money over the years. Flow 0 is today (the price paid, below zero); flow k is what year k brings, taken at its end.
 */
export interface CashResult {
  readonly flows: readonly number[]
  /** Sum of the flows up to each year. */
  readonly cumulative: readonly number[]
  /** Years until the cumulated flow reaches zero, within the year in proportion; null when it never does. */
  readonly paybackYears: number | null
  readonly npv: number
  /** Share a year; null when none exists or several do. */
  readonly irr: number | null
}

export function cashResult(flows: readonly number[], discountRate: number): CashResult {
  const cumulative: number[] = []
  let sum = 0
  for (const flow of flows) cumulative.push((sum += flow))
  return {
    flows,
    cumulative,
    paybackYears: payback(cumulative),
    npv: npvOf(flows, discountRate),
    irr: irrOf(flows),
  }
}

/** Σ flow / (1 + rate)^year, by Horner's rule. */
export function npvOf(flows: readonly number[], rate: number): number {
  let sum = 0
  for (let year = flows.length - 1; year >= 0; year--) sum = sum / (1 + rate) + (flows[year] as number)
  return sum
}

/** The last crossing from below: after it the money stays back. */
function payback(cumulative: readonly number[]): number | null {
  if ((cumulative.at(-1) ?? -1) < 0) return null
  let year = cumulative.length - 1
  while (year > 0 && (cumulative[year - 1] as number) >= 0) year--
  if (year === 0) return 0
  const before = cumulative[year - 1] as number
  const after = cumulative[year] as number
  return year - 1 + -before / (after - before)
}

/** Rates looked at: from losing 99 % a year to tenfold gain. */
const lowestRate = -0.99
const highestRate = 10
const rateSteps = 2000

/** The internal rate of return where the NPV changes sign exactly once; null where it never or repeatedly does. */
export function irrOf(flows: readonly number[]): number | null {
  const roots = irrRoots(flows)
  return roots.length === 1 ? (roots[0] ?? null) : null
}

/** Rates at which the NPV changes sign, the lowest first, and no more than two of them. */
export function irrRoots(flows: readonly number[]): number[] {
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
