import { z } from 'zod'
import { nameSchema, shareSchema, type DeepReadonly } from '../../model/object-base'
import { between, wholeBetween } from '../../model/rules'

export const offerId = 'offer'

/** What an option costs and how it is reckoned over the years. One to an option. */
export const offerSchema = z.strictObject({
  id: z.literal(offerId),
  kind: z.literal('offer'),
  name: nameSchema,
  /** Currency per watt of module power. */
  pricePerWatt: between(0, 100, 'money/W'),
  /** Currency for each battery, installed. */
  pricePerBattery: between(0, 1_000_000, 'money'),
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

export const offerVersion = 1
export const offerMigrations = []

export const defaultOffer: Offer = {
  id: offerId,
  kind: 'offer',
  name: 'Roof only',
  pricePerWatt: 2.9,
  pricePerBattery: 11_000,
  incentiveShare: 0.3,
  years: 25,
  discountRate: 0.05,
  escalation: 0.03,
  upkeepPerYear: 0,
}
