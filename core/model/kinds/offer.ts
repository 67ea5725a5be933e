import { z } from 'zod'
import { nameSchema, type ObjectBase, type ObjectKind } from '../object-kind'

/** What the option is called, what it costs and how its money is reckoned. One to an option. */
export interface Offer extends ObjectBase {
  readonly kind: 'offer'
  readonly name: string
  /** Currency per watt of module power. */
  readonly pricePerWatt: number
  /** Currency for each battery, installed. */
  readonly pricePerBattery: number
  /** Share of the price that comes back as an incentive. */
  readonly incentiveShare: number
  readonly years: number
  readonly discountRate: number
  /** Yearly growth of energy prices. */
  readonly escalation: number
  /** Operation and upkeep, currency a year in the first year's money. */
  readonly upkeepPerYear: number
}

export const offerId = 'offer'

export const offerKind: ObjectKind<Offer> = {
  kind: 'offer',
  document: 'option',
  schema: z.strictObject({
    id: z.literal(offerId),
    kind: z.literal('offer'),
    name: nameSchema,
    pricePerWatt: z.number().min(0, 'not below zero').max(100, 'at most 100 a watt'),
    pricePerBattery: z.number().min(0, 'not below zero').max(1_000_000, 'at most 1,000,000'),
    incentiveShare: z.number().min(0, 'not below 0 %').max(1, 'at most 100 %'),
    years: z.number().int('a whole number').min(1, 'at least 1').max(50, 'at most 50'),
    discountRate: z.number().min(-0.5, 'at least -50 %').max(1, 'at most 100 %'),
    escalation: z.number().min(-0.2, 'at least -20 %').max(0.3, 'at most 30 %'),
    upkeepPerYear: z.number().min(0, 'not below zero').max(100_000),
  }),
  version: 1,
  migrations: [],
}

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
