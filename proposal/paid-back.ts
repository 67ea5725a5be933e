import { sharedOut } from '@/core/model/rounding'
import { type ProposalData } from './shape'

type PaidBack = NonNullable<ProposalData['paidBack']>

/**
 * What comes back at purchase in whole units of money, so that the price less all of it is what is paid.
 * @param price and what is paid, as they are shown; null where there is none
 */
export function paidBackShown(parts: PaidBack, price: number | null, paid: number | null): PaidBack {
  if (price === null || paid === null) return parts
  const whole = sharedOut(
    Math.round(price) - Math.round(paid),
    parts.map(({ amount }) => amount),
  )
  return parts.map((part, k) => ({ ...part, amount: whole[k] ?? part.amount }))
}
