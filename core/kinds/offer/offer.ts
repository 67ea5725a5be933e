import { z } from 'zod'
import { nameSchema, shareSchema, type DeepReadonly } from '../../model/object-base'
import { between, wholeBetween } from '../../model/rules'

export const offerId = 'offer'

/** What an option costs and how it is reckoned over the years. One to an option. */
export const offerSchema = z.strictObject({
  id: z.literal(offerId),
  kind: z.literal('offer'),
  name: nameSchema,
  /** Currency per watt of module power, for all that has no price of its own. */
  pricePerWatt: between(0, 100, 'money/W'),
  /** Whether modules and inverter are paid for at their own list prices, or are in the price per watt. */
  equipment: z.enum(['listed', 'in-price']),
  /** What list prices cost here: 0.9 for a tenth off. */
  listShare: between(0, 10, 'share'),
  /** Currency for each battery, installed; null for its own list price. */
  pricePerBattery: between(0, 1_000_000, 'money').nullable(),
  /** Share of the price that comes back as an incentive. */
  incentiveShare: shareSchema,
  years: wholeBetween(1, 50),
  discountRate: between(-0.5, 1, 'share'),
  /** Yearly growth of energy prices. */
  escalation: between(-0.2, 0.3, 'share'),
  /** Operation and upkeep, currency a year in the first year's money. */
  upkeepPerYear: between(0, 100_000, 'money'),
})
export type Offer = DeepReadonly<z.infer<typeof offerSchema>>

export const offerVersion = 2
export const offerMigrations = [
  (value: Record<string, unknown>) => ({ ...value, equipment: 'in-price', listShare: 1 }),
]

export const defaultOffer: Offer = {
  id: offerId,
  kind: 'offer',
  name: 'Roof only',
  pricePerWatt: 2.3,
  equipment: 'listed',
  listShare: 1,
  pricePerBattery: null,
  incentiveShare: 0.3,
  years: 25,
  discountRate: 0.05,
  escalation: 0.03,
  upkeepPerYear: 0,
}
