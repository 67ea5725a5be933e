import { type Incentive } from '../kinds/offer/offer'

/** A price by what it is for. */
export interface PriceParts {
  readonly solar: number
  readonly battery: number
}

export interface PaidAtOnce {
  readonly name: string
  readonly amount: number
  readonly taxed: boolean
}

/** What incentives come to in a year. */
export interface IncentiveYear {
  /** Paid out in the year, before tax. */
  readonly paid: number
  /** The part of it that income tax is due on. */
  readonly taxed: number
  /** What comes off income tax: credits and depreciation, for whoever owes any. */
  readonly offTax: number
}

const partOf = ({ solar, battery }: PriceParts, of: 'all' | 'solar' | 'battery'): number =>
  of === 'all' ? solar + battery : of === 'solar' ? solar : battery

const upTo = (amount: number, cap: number | null): number => (cap === null ? amount : Math.min(amount, cap))

/** Incentives that come off the price. None is more than what it is a part of, all together no more than the price. */
export function paidAtOnce(
  incentives: readonly Incentive[],
  parts: PriceParts,
  powerKw: number,
): PaidAtOnce[] {
  let left = Math.max(0, parts.solar + parts.battery)
  return incentives.flatMap((one): PaidAtOnce[] => {
    const amount = atOnce(one, parts, powerKw)
    if (amount === null) return []
    const paid = Math.max(0, Math.min(amount, left))
    left -= paid
    return [{ name: one.name, amount: paid, taxed: 'taxed' in one && one.taxed }]
  })
}

/** Null for what is paid over the years. */
function atOnce(one: Incentive, parts: PriceParts, powerKw: number): number | null {
  switch (one.kind) {
    case 'share':
      return upTo(one.share * partOf(parts, one.of), one.cap)
    case 'per-kw':
      return upTo(one.perKw * powerKw, one.cap)
    case 'fixed':
      return one.amount
    case 'tax-credit':
    case 'per-kwh':
    case 'certificates':
    case 'depreciation':
      return null
  }
}

/**
 * Incentives by the year.
 * @param yieldKwh made in each year
 * @param incomeTax the rate that depreciation saves tax at
 * @returns one entry to each year of `yieldKwh`; what is paid at once is not in it
 */
export function incentiveYears(
  incentives: readonly Incentive[],
  parts: PriceParts,
  yieldKwh: readonly number[],
  incomeTax: number,
): IncentiveYear[] {
  const paid = new Float64Array(yieldKwh.length)
  const taxed = new Float64Array(yieldKwh.length)
  const offTax = new Float64Array(yieldKwh.length)
  for (const one of incentives) {
    if (one.kind === 'tax-credit') {
      let left = upTo(one.share * partOf(parts, one.of), one.cap)
      for (let k = 0; k < Math.min(one.years, offTax.length); k++) {
        const used = upTo(left, one.taxPerYear)
        offTax[k] = (offTax[k] ?? 0) + used
        left -= used
      }
    } else if (one.kind === 'depreciation')
      one.shares.slice(0, offTax.length).forEach((share, k) => {
        offTax[k] = (offTax[k] ?? 0) + share * partOf(parts, 'all') * incomeTax
      })
    else if (one.kind === 'per-kwh' || one.kind === 'certificates')
      yieldKwh.forEach((kwh, k) => {
        const amount = kwh * perKwhIn(one, k)
        paid[k] = (paid[k] ?? 0) + amount
        if (one.taxed) taxed[k] = (taxed[k] ?? 0) + amount
      })
  }
  return yieldKwh.map((_, k) => ({ paid: paid[k] ?? 0, taxed: taxed[k] ?? 0, offTax: offTax[k] ?? 0 }))
}

/** @param k year, 0 for the first */
function perKwhIn(one: Extract<Incentive, { kind: 'per-kwh' | 'certificates' }>, k: number): number {
  if (one.kind === 'certificates') return (one.perMwh[k] ?? 0) / 1000
  return k < one.years ? one.perKwh * (1 + one.growth) ** k : 0
}
