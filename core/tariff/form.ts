import { z } from 'zod'
import { type DeepReadonly } from '../model/object-base'
import { ruleMessage } from '../model/rules'

const price = z.number().min(-100).max(1000)
const amount = z.number().min(0).max(1e6)
const months = z.array(z.number().int().min(1).max(12)).max(12).default([])
const hour = z.number().int().min(0).max(24)
const days = z.enum(['all', 'weekday', 'weekend']).default('all')
const name = z.string().max(120).default('')
const day = /^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/
const monthDay = z.string().regex(day, ruleMessage('month-day'))
const date = z.string().regex(/^(\d{4}-)?(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, ruleMessage('holiday'))

/** Hours that a price or a charge holds in: all that it names must match; what it leaves out matches always. */
const when = {
  /** 1 to 12; none means every month. */
  months,
  /** First and last day, both within; over New Year where the first comes later. */
  dates: z.strictObject({ from: monthDay, to: monthDay }).exactOptional(),
  /** Holidays count as weekends. */
  days,
  /** Whole hours of the local clock, `from` within and `to` not; over midnight where `from` is later. */
  fromHour: hour.default(0),
  toHour: hour.default(24),
}

/** A price for each hour of each month, weekdays and weekends. */
const board = z.array(z.array(price).length(24)).length(12)

const exportsSchema = z.discriminatedUnion('kind', [
  /** Each kWh is paid at its own price, in the hour it goes out. */
  z.strictObject({
    kind: z.literal('net-billing'),
    perKwh: price.exactOptional(),
    board: z.strictObject({ weekday: board, weekend: board }).exactOptional(),
    /** One price an interval of the year. */
    intervals: z
      .array(price)
      .max(366 * 96)
      .exactOptional(),
    capKwhPerYear: amount.exactOptional(),
  }),
  /** Goes off what is bought at the same price; what is left over is settled by the month or the year. */
  z.strictObject({
    kind: z.literal('net-metering'),
    settle: z.enum(['month', 'year']),
    /** The month whose bill settles the year. */
    settleMonth: z.number().int().min(1).max(12).default(12),
    /** What is left over is paid at this. */
    surplusPerKwh: price.default(0),
  }),
  /** All that goes out, or in gross metering all that is made, is paid at one price. */
  z.strictObject({ kind: z.literal('feed-in'), perKwh: price, capKwhPerYear: amount.exactOptional() }),
  z.strictObject({ kind: z.literal('none') }),
])

/**
 * A tariff in all its forms. Prices in money per kWh; `fixedPerMonth`, `pricePerKwh`, `periods` and `exportPerKwh` are
 * those of a job's tariff.
 */
export const tariffFormSchema = z.object({
  name,
  utility: name,
  fixedPerMonth: amount.default(0),
  fixedPerDay: amount.default(0),
  /** Where no period matches; the first that matches gives the price. */
  pricePerKwh: price,
  periods: z
    .array(z.strictObject({ name, ...when, pricePerKwh: price, exportPerKwh: price.exactOptional() }))
    .max(100)
    .default([]),
  holidays: z.array(date).max(100).default([]),
  /** On top of the price: each step up to its allowance, the last one without end. */
  tiers: z
    .strictObject({
      /** Allowances by day count for all days of a month. */
      per: z.enum(['day', 'month']),
      months,
      steps: z
        .array(z.strictObject({ upToKwh: amount.nullable(), addPerKwh: price }))
        .min(1)
        .max(12)
        .refine(
          (steps) =>
            steps.every(({ upToKwh }, i) =>
              i === steps.length - 1
                ? upToKwh === null
                : upToKwh !== null && upToKwh > (i > 0 ? (steps[i - 1]?.upToKwh ?? Infinity) : 0),
            ),
          ruleMessage('tiers-rise'),
        ),
    })
    .exactOptional(),
  /** The greatest power in its hours, each month. */
  demand: z
    .array(
      z.strictObject({
        name,
        ...when,
        perKw: amount,
        /** Over which power is averaged; no shorter than the data are. */
        minutes: z.union([z.literal(15), z.literal(30), z.literal(60)]).default(15),
        /** No less than this share of the greatest of the other months. */
        ratchet: z.number().min(0).max(1).default(0),
      }),
    )
    .max(12)
    .default([]),
  /** On every kWh bought, beside its price: exports never go off it. */
  nonBypassablePerKwh: price.default(0),
  exportPerKwh: price.default(0),
  exports: exportsSchema.exactOptional(),
  /** The bill before credits and taxes is no less. */
  minimumPerMonth: amount.default(0),
  /** Off the bill, in the months named. */
  credits: z.array(z.strictObject({ name, months, amount })).max(24).default([]),
  /** On all that is owed, one not on another. */
  taxes: z
    .array(z.strictObject({ name, share: z.number().min(0).max(2) }))
    .max(12)
    .default([]),
  /** From a year on all prices and charges are as many times what is stated. */
  priceSteps: z
    .array(z.strictObject({ year: z.number().int().min(1900).max(2200), factor: z.number().min(0).max(100) }))
    .max(60)
    .default([]),
})
export type TariffForm = DeepReadonly<z.infer<typeof tariffFormSchema>>
