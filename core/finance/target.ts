import { type Offer } from '../kinds/offer/offer'
import { payback } from './cash'
import { priceOf, type PricedEquipment } from './price'
import { flowsOf, type AgedYear } from './ways'

/** What an offer is to come to. */
export type Target =
  | { readonly what: 'payback'; readonly years: number }
  /** Cumulated over all years. */
  | { readonly what: 'left'; readonly amount: number }

/** What the search is made in. */
export interface TargetCase {
  readonly offer: Offer
  readonly priced: PricedEquipment
  /** Each year's bill without solar, without growth of prices; steps of the tariffs are in both. */
  readonly before: readonly number[]
  readonly after: readonly AgedYear[]
}

const mostPerWatt = 100

/**
 * The highest price per watt that an offer still reaches its target at, by bisection: nothing gets better by being
 * dearer.
 * @returns null where no price reaches it, or where every one does
 */
export function pricePerWattFor({ offer, priced, before, after }: TargetCase, target: Target): number | null {
  const reaches = (pricePerWatt: number): boolean => {
    const other = { ...offer, pricePerWatt }
    const flows = flowsOf({ offer: other, price: priceOf(other, priced), before, after })
    if (target.what === 'left') return flows.reduce((sum, flow) => sum + flow, 0) >= target.amount
    const years = payback(flows)
    return years !== null && years <= target.years
  }
  if (!reaches(0) || reaches(mostPerWatt)) return null
  let [low, high] = [0, mostPerWatt]
  // To a ten-thousandth of the smallest coin of a watt.
  for (let k = 0; k < 40; k++) {
    const middle = (low + high) / 2
    if (reaches(middle)) low = middle
    else high = middle
  }
  return low
}
