import { z } from 'zod'
import { nameSchema, shareSchema } from '../../model/object-base'
import { between, ruleMessage, wholeBetween } from '../../model/rules'

const named = { name: nameSchema }
const money = between(0, 1e7, 'money')
/** Of which part of the price it is a share. */
const of = z.enum(['all', 'solar', 'battery'])
/** The most that it comes to; null: no limit. */
const cap = money.nullable()
/** Whether income tax is due on it. */
const taxed = z.boolean()

export const incentiveSchema = z.discriminatedUnion('kind', [
  /** A share of the price, paid at once. */
  z.strictObject({ ...named, kind: z.literal('share'), share: shareSchema, of, cap, taxed }),
  /** Currency per kW of module power, paid at once. */
  z.strictObject({ ...named, kind: z.literal('per-kw'), perKw: between(0, 10_000, 'money'), cap, taxed }),
  z.strictObject({ ...named, kind: z.literal('fixed'), amount: money, taxed }),
  /** A share of the price that comes off income tax; what is above the tax of a year is carried over. */
  z.strictObject({
    ...named,
    kind: z.literal('tax-credit'),
    share: shareSchema,
    of,
    cap,
    /** Income tax of a year that it can come off; null: as much as it takes. */
    taxPerYear: money.nullable(),
    /** Years that it can be used in, the first included; what is left then is lost. */
    years: wholeBetween(1, 50),
  }),
  /** Currency per kWh made, growing from year to year. */
  z.strictObject({
    ...named,
    kind: z.literal('per-kwh'),
    perKwh: between(0, 10, 'money'),
    growth: between(-0.5, 0.3, 'share'),
    years: wholeBetween(1, 50),
    taxed,
  }),
  /** Certificates for every MWh made, at a price for each year. */
  z.strictObject({
    ...named,
    kind: z.literal('certificates'),
    perMwh: z
      .array(between(0, 10_000, 'money'))
      .min(1)
      .max(50),
    taxed,
  }),
  /** For a business: shares of the price that come off what is taxed, year by year. */
  z.strictObject({
    ...named,
    kind: z.literal('depreciation'),
    shares: z
      .array(shareSchema)
      .min(1)
      .max(50)
      .refine((all) => all.reduce((sum, one) => sum + one, 0) <= 1.0001, ruleMessage('shares-above-one')),
  }),
])
