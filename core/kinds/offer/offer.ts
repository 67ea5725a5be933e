import { z } from 'zod'
import { nameSchema, shareSchema, type DeepReadonly } from '../../model/object-base'
import { between, ruleMessage, wholeBetween } from '../../model/rules'
import { incentiveSchema } from './incentive'
import { offerMigrations } from './migrations'
import { pageSchema, pageSections } from './page'
import { paymentFields } from './payment'

export const offerId = 'offer'

/** Growth a year. */
const growth = between(-0.2, 0.3, 'share')
const perYear = between(0, 100_000, 'money')
const deviation = between(0, 0.2, 'share')

export const replaced = ['inverter', 'battery', 'other'] as const

/** What an option costs, how it is paid for and how it is reckoned over the years. One to an option. */
export const offerSchema = z.strictObject({
  id: z.literal(offerId),
  kind: z.literal('offer'),
  name: nameSchema,
  /** Currency per watt of module power, for all that has no price of its own. */
  pricePerWatt: between(0, 100, 'money/W'),
  /** Whether modules and inverter are paid for at their own list prices, all parts at those of the parts list, or are in the price per watt. */
  equipment: z.enum(['listed', 'parts', 'in-price']),
  /** What list prices cost here: 0.9 for a tenth off. */
  listShare: between(0, 10, 'share'),
  /** Currency for each battery, installed; null for its own list price. */
  pricePerBattery: between(0, 1_000_000, 'money').nullable(),
  /** Fixed amounts: a steep roof, a trench, a new main panel; below zero for a discount. */
  adders: z
    .array(z.strictObject({ name: nameSchema, amount: between(-1_000_000, 1_000_000, 'money') }))
    .max(20),
  /** Sales fee and margin: share of all the above, on top. */
  markup: between(0, 5, 'share'),
  /** Sales tax: share of all the above, on top. */
  salesTax: shareSchema,
  incentives: z.array(incentiveSchema).max(20),
  /** Share of income, where incentives are taxed. */
  incomeTax: shareSchema,
  years: wholeBetween(1, 50),
  discountRate: between(-0.5, 1, 'share'),
  /** Yearly growth of energy prices. */
  escalation: growth,
  /** Yearly growth of what is paid for exports. */
  exportGrowth: growth,
  /** Operation and upkeep, currency a year in the first year's money. */
  upkeepPerYear: perYear,
  upkeepGrowth: growth,
  /** Insurance, monitoring, a lease of the roof, reporting, by the year. */
  costs: z.array(z.strictObject({ name: nameSchema, perYear, growth })).max(20),
  /** Share of what a battery holds that it loses a year, until it is replaced. */
  batteryFade: between(0, 0.2, 'share').nullable(),
  replacements: z
    .array(
      z
        .strictObject({
          name: nameSchema,
          what: z.enum(replaced),
          year: wholeBetween(1, 50),
          /** In the money of its year; null: today's price of what is replaced, where that is known. */
          cost: between(0, 1_000_000, 'money').nullable(),
        })
        .refine(({ what, cost }) => what !== 'other' || cost !== null, {
          path: ['cost'],
          message: ruleMessage('cost-needed'),
        }),
    )
    .max(20),
  ...paymentFields,
  /** Days that the link for the customer holds. */
  validDays: wholeBetween(1, 365),
  page: pageSchema,
  /** What a kWh from the grid emits, kg of CO2, as whom and of which year; null where nobody has said. */
  gridCo2: z
    .strictObject({ kgPerKwh: between(0, 2), year: wholeBetween(1990, 2100), source: z.string().max(120) })
    .nullable(),
  /** Standard deviations of what nobody knows: of the yield model, and of the others a year. */
  ranges: z.strictObject({
    yieldModel: deviation,
    priceGrowth: deviation,
    loadGrowth: deviation,
    degradation: deviation,
  }),
})
export type Offer = DeepReadonly<z.infer<typeof offerSchema>>
export type Incentive = Offer['incentives'][number]
export type Replacement = Offer['replacements'][number]

export const offerVersion = offerMigrations.length + 1
export { offerMigrations }

export const defaultOffer: Offer = {
  id: offerId,
  kind: 'offer',
  name: 'Roof only',
  pricePerWatt: 2.3,
  equipment: 'listed',
  listShare: 1,
  pricePerBattery: null,
  adders: [],
  markup: 0,
  salesTax: 0,
  incentives: [{ name: 'Incentive', kind: 'share', share: 0.3, of: 'all', cap: null, taxed: false }],
  incomeTax: 0.25,
  years: 25,
  discountRate: 0.05,
  escalation: 0.03,
  exportGrowth: 0.03,
  upkeepPerYear: 0,
  upkeepGrowth: 0.03,
  costs: [],
  batteryFade: null,
  replacements: [
    { name: 'New inverter', what: 'inverter', year: 13, cost: null },
    { name: 'New battery', what: 'battery', year: 13, cost: null },
  ],
  pay: 'cash',
  alsoShown: [],
  loan: {
    downShare: 0,
    rate: 0.07,
    years: 15,
    feeShare: 0,
    interestOnlyMonths: 0,
    balloonShare: 0,
    paidInMonth: null,
  },
  lease: { perMonth: 100, growth: 0.02, years: 20, buyout: null },
  ppa: { perKwh: 0.15, growth: 0.02, years: 20, buyout: null },
  validDays: 60,
  page: {
    sections: [...pageSections],
    texts: { letter: '', warranty: '', terms: '', next: '' },
    language: null,
    view: null,
  },
  gridCo2: null,
  ranges: { yieldModel: 0.04, priceGrowth: 0.01, loadGrowth: 0.01, degradation: 0.002 },
}
